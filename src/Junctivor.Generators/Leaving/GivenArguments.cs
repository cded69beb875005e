using Junctivor.Generators.Following;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Leaving;

/// <summary>What a method of another project is called with.</summary>
/// <param name="member">The method; or a property or field, which is called with nothing.</param>
/// <param name="frame">What is known of its parameters.</param>
/// <param name="types">Reads types.</param>
/// <param name="conditions">Reads conditions.</param>
internal sealed class GivenArguments(ISymbol member, Frame frame, TypeReading types, ConditionReader conditions)
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
        (IOperation plain, Frame inside) = at.Resolve(value);
        return plain is IParameterReferenceOperation given && inside.IsTemplate ? given.Parameter
            : plain is ITypeOfOperation ? types.OfValue(value, at)
            : OptionReader.TextOf(value, at);
    }

    private (IOperation Value, Frame Frame) ValueOf(string parameter) =>
        frame.Arguments[_method!.Parameters.First(each => each.Name == parameter)];
}
