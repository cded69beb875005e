using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Following;

/// <summary>Reads the values that parameters stand for.</summary>
/// <param name="members">The source.</param>
internal sealed class ValueReading(SourceMembers members)
{
    /// <summary>The value of an operation, without conversions, and the frame of that: of a parameter the argument, of the variable of a
    /// loop the element, and of another variable its initial value, if nothing assigns it.</summary>
    public (IOperation Value, Frame Frame) Resolve(IOperation operation, Frame frame)
    {
        IOperation plain = Operations.WithoutConversions(operation);
        ISymbol? variable = plain switch
        {
            IParameterReferenceOperation { Parameter: var parameter } => parameter,
            ILocalReferenceOperation { Local: var local } => local,
            _ => null,
        };
        return variable is not null && !members.Uses.IsAssigned(variable) && ValueOf(variable, frame) is { } given
            ? Resolve(given.Value, given.Frame)
            : (plain, frame);
    }

    /// <summary>The same, but a variable stays what it is: two variables with equal values are two.</summary>
    public (IOperation Value, Frame Frame) ResolveArguments(IOperation operation, Frame frame)
    {
        IOperation plain = Operations.WithoutConversions(operation);
        return plain is IParameterReferenceOperation { Parameter: var parameter }
            && !members.Uses.IsAssigned(parameter)
            && ArgumentOf(parameter, frame) is { } given
                ? ResolveArguments(given.Value, given.Frame)
                : (plain, frame);
    }

    /// <summary>The same, and the initial value of a static field that nothing assigns: of values of which only the value counts.</summary>
    public (IOperation Value, Frame Frame) ResolveKept(IOperation operation, Frame frame)
    {
        (IOperation value, Frame at) = Resolve(operation, frame);
        return value is IFieldReferenceOperation { Field: { IsStatic: true, IsReadOnly: true, ContainingType.IsGenericType: false } field }
            && at.Initialized is null
            && members.InitialValueOf(field) is { } first
            && !members.Uses.IsAssigned(field)
                ? members.Inside(field, Operations.LocationOf(value), () => ResolveKept(first, Frame.Empty))
                : (value, at);
    }

    /// <summary>The constant that an operation gives; null if it gives none.</summary>
    public Optional<object?> ConstantOf(IOperation operation, Frame frame)
    {
        Optional<object?> constant = Resolve(operation, frame).Value.ConstantValue;
        return constant.HasValue ? constant
            : ResolveKept(operation, frame).Value is { ConstantValue: { HasValue: true, Value: string } text } ? text
            : default;
    }

    private (IOperation Value, Frame Frame)? ValueOf(ISymbol variable, Frame frame) =>
        ArgumentOf(variable, frame) is { } given ? given
        : variable is ILocalSymbol local && frame.HomeOf(local) is { } home && members.InitialValueOf(local) is { } value ? (value, home)
        : null;

    /// <summary>The argument for a parameter, or the element that the variable of a loop stands for; null if it is not known.</summary>
    public static (IOperation Value, Frame Frame)? ArgumentOf(ISymbol variable, Frame frame)
    {
        for (Frame? each = frame; each is not null; each = each.Outer)
        {
            if (each.Arguments.TryGetValue(variable, out (IOperation Value, Frame Frame) given))
            {
                return given;
            }
        }

        return variable is IParameterSymbol parameter && frame.Receiver is { } created && created.ArgumentFor(parameter) is { } argument
            ? (argument, created.Frame)
            : null;
    }

    /// <summary>Whether a parameter belongs to the function that a frame evaluates.</summary>
    public static bool IsBoundIn(ISymbol parameter, Frame frame) =>
        frame.Arguments.ContainsKey(parameter)
        || (frame.Element is { Variable: var variable } && SymbolEqualityComparer.Default.Equals(variable, parameter));

    /// <summary>The parameter that a value is, where callers in other projects pass it; null for any other value.</summary>
    public IParameterSymbol? OpenParameter(IOperation value, Frame frame) =>
        Resolve(value, frame) is (IParameterReferenceOperation { Parameter: var parameter }, Frame at)
        && at.IsOpen(parameter)
        && !members.Uses.IsAssigned(parameter)
            ? parameter
            : null;

    /// <summary>A string that is a constant.</summary>
    /// <exception cref="UnfollowableException">It is known only at run time.</exception>
    public string TextOf(IOperation text, Frame frame) => ConstantOf(text, frame) is { HasValue: true, Value: string constant }
        ? constant
        : throw Unknown(Resolve(text, frame).Value, "the text");

    /// <summary>Why a value cannot be followed.</summary>
    public UnfollowableException Unknown(IOperation value, string what)
    {
        if (value is IParameterReferenceOperation parameter)
        {
            members.Uses.RequireUnassigned(parameter.Parameter);
        }

        return Unfollowable.Unknown(value, what);
    }
}
