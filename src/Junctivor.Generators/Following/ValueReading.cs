using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Following;

/// <summary>Reads the values that parameters stand for.</summary>
/// <param name="members">The source.</param>
internal sealed class ValueReading(SourceMembers members)
{
    /// <summary>What an operation gives, without conversions, and the frame of that: for a parameter the argument, where nothing assigns
    /// the parameter.</summary>
    public (IOperation Value, Frame Frame) Resolve(IOperation operation, Frame frame)
    {
        IOperation plain = Operations.WithoutConversions(operation);
        return plain is IParameterReferenceOperation parameter
            && ArgumentOf(parameter.Parameter, frame) is { } given
            && !members.Uses.IsAssigned(parameter.Parameter)
                ? Resolve(given.Value, given.Frame)
                : (plain, frame);
    }

    /// <summary>The argument for a parameter; null if it is not known.</summary>
    public static (IOperation Value, Frame Frame)? ArgumentOf(IParameterSymbol parameter, Frame frame)
    {
        for (Frame? each = frame; each is not null; each = each.Outer)
        {
            if (each.Arguments.TryGetValue(parameter, out (IOperation Value, Frame Frame) given))
            {
                return given;
            }
        }

        return frame.Receiver is { } created && created.ArgumentFor(parameter) is { } argument ? (argument, created.Frame) : null;
    }

    /// <summary>The parameter that a value is, where callers in other projects pass it; null for any other value.</summary>
    public IParameterSymbol? OpenParameter(IOperation value, Frame frame) =>
        Resolve(value, frame) is (IParameterReferenceOperation { Parameter: var parameter }, Frame at)
        && at.IsOpen(parameter)
        && !members.Uses.IsAssigned(parameter)
            ? parameter
            : null;

    /// <summary>A string that is a constant.</summary>
    /// <exception cref="UnfollowableException">It is known only at run time.</exception>
    public string TextOf(IOperation text, Frame frame) => Resolve(text, frame).Value switch
    {
        { ConstantValue: { HasValue: true, Value: string constant } } => constant,
        IOperation other => throw Unknown(other, "the text"),
    };

    /// <summary>Why a value cannot be followed.</summary>
    public UnfollowableException Unknown(IOperation value, string what)
    {
        if (value is IParameterReferenceOperation parameter)
        {
            members.Uses.RequireUnassigned(parameter.Parameter);
        }

        return Operations.Unknown(value, what);
    }
}
