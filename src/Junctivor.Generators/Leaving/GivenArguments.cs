using Junctivor.Generators.Following;
using Junctivor.Graph;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Leaving;

/// <summary>What a method of another project is called with.</summary>
/// <param name="member">The method; or a property or field, which is called with nothing.</param>
/// <param name="from">Where it is called.</param>
/// <param name="frame">What is known of its parameters.</param>
/// <param name="types">Reads types.</param>
/// <param name="conditions">Reads conditions.</param>
/// <param name="values">Reads values.</param>
internal sealed class GivenArguments(
    ISymbol member, Location from, Frame frame, TypeReading types, ConditionReader conditions, ValueReading values)
{
    private readonly IMethodSymbol? _method = member.OriginalDefinition as IMethodSymbol;

    /// <summary>Whether each call gives another wiring.</summary>
    public bool AreSome => _method is { Parameters.IsEmpty: false } or { Arity: > 0 };

    /// <summary>The identifier of a type, with those of the type arguments in the place of the type parameters.</summary>
    public string In(string id)
    {
        for (int number = 0; number < _method?.Arity; number++)
        {
            id = id.Replace(WiringText.ParameterId(number), WiringText.IdOf(frame.Types[_method.TypeParameters[number]]));
        }

        return id;
    }

    /// <summary>How a condition that is passed comes out, or what it depends on.</summary>
    public (bool? Constant, Condition? Condition) ConditionOf(string parameter)
    {
        (IOperation value, Frame at) = ValueOf(parameter);
        return conditions.Read(value, at);
    }

    /// <summary>A mark that is passed.</summary>
    /// <exception cref="UnfollowableException">It is known only at run time.</exception>
    public object MarkOf(string parameter)
    {
        (IOperation value, Frame at) = ValueOf(parameter);
        return values.OpenParameter(value, at) is { } given ? given
            : values.Resolve(value, at).Value is ITypeOfOperation ? types.OfValue(value, at)
            : values.TextOf(value, at);
    }

    /// <summary>A place that is passed; unknown where it is not constant.</summary>
    public SourcePlace PlaceOf(string file, string line) =>
        ConstantOf(file) is string path && ConstantOf(line) is int number ? new SourcePlace(path, number) : default;

    /// <summary>The parameters by which the callers pass a place on; null if they do not.</summary>
    public (IParameterSymbol File, IParameterSymbol Line)? OpenPlaceOf(string file, string line) =>
        OpenParameterOf(file) is { } openFile && OpenParameterOf(line) is { } openLine ? (openFile, openLine) : null;

    private object? ConstantOf(string parameter)
    {
        (IOperation value, Frame at) = ValueOf(parameter);
        return values.Resolve(value, at).Value.ConstantValue is { HasValue: true, Value: var constant } ? constant : null;
    }

    private IParameterSymbol? OpenParameterOf(string parameter)
    {
        (IOperation value, Frame at) = ValueOf(parameter);
        return values.OpenParameter(value, at);
    }

    /// <exception cref="UnfollowableException">There is no such argument.</exception>
    private (IOperation Value, Frame Frame) ValueOf(string parameter) =>
        _method?.Parameters.FirstOrDefault(each => each.Name == parameter) is { } symbol
        && frame.Arguments.TryGetValue(Functions.InBody(symbol), out (IOperation Value, Frame Frame) given)
            ? given
            : throw new UnfollowableException($"{member.Name} is called without {parameter}", from);
}
