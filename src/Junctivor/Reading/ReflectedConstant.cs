using Junctivor.Graph;
using Junctivor.Registering;

namespace Junctivor.Reading;

/// <summary>A constant that a registration of the program passes.</summary>
/// <param name="value">The constant.</param>
/// <param name="types">Where its type is entered.</param>
/// <param name="parameters">Keeps it with the parameter that takes it.</param>
internal sealed class ReflectedConstant(PassedValue value, TypeCatalog types, ParameterReader parameters)
    : PassedConstant(value.Parameter, types[value.Type])
{
    public override bool Fits(Parameter parameter) => value.Value is null
        ? !parameter.Type.IsValueType || parameter.IsOptional
        : types[parameter.Type].IsInstanceOfType(value.Value);

    public override Parameter PassTo(Parameter parameter) => parameters.Passing(parameter, value.Value);
}
