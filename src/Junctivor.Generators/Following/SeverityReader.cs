using Junctivor.Checks;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Following;

/// <summary>Reads the severities in the options of a call of <c>Build</c>, where they are constants.</summary>
/// <param name="members">The source.</param>
internal sealed class SeverityReader(SourceMembers members)
{
    private const string OptionsType = "Junctivor.BuildOptions";

    /// <summary>Those of a wiring, by the operation that completes it.</summary>
    public WrittenSeverities Of(IOperation? completed) =>
        completed is IInvocationOperation build ? Read(build) : WrittenSeverities.Default;

    private WrittenSeverities Read(IInvocationOperation build) =>
        Operations.ArgumentOrNull(build, "options") is { } options ? Read(options, 0) : WrittenSeverities.Default;

    private WrittenSeverities Read(IOperation options, int depth) => Operations.WithoutConversions(options) switch
    {
        IObjectCreationOperation creation when Operations.IsOf(creation.Type, OptionsType) => OfCreation(creation),
        ILocalReferenceOperation local => OfMember(local.Local, local, depth),
        IFieldReferenceOperation { Instance: null } field => OfMember(field.Field, field, depth),
        IPropertyReferenceOperation { Instance: null, Property.IsStatic: true } property => OfMember(property.Property, property, depth),
        _ => WrittenSeverities.Unknown,
    };

    private WrittenSeverities OfMember(ISymbol member, IOperation use, int depth)
    {
        const int Deepest = 4;
        try
        {
            return depth < Deepest ? Read(members.ValueOf(member, Operations.LocationOf(use)), depth + 1) : WrittenSeverities.Unknown;
        }
        catch (UnfollowableException)
        {
            return WrittenSeverities.Unknown;
        }
    }

    private static WrittenSeverities OfCreation(IObjectCreationOperation creation)
    {
        WrittenSeverities read = WrittenSeverities.Default;
        foreach (IOperation each in creation.Initializer?.Initializers ?? [])
        {
            read = each is ISimpleAssignmentOperation { Target: IPropertyReferenceOperation property, Value: var value }
                ? With(read, property.Property.Name, value)
                : WrittenSeverities.Unknown;
        }

        return read;
    }

    private static WrittenSeverities With(WrittenSeverities read, string property, IOperation value) => property switch
    {
        "WarningsAreErrors" => value.ConstantValue is { HasValue: true, Value: bool areFaults }
            ? read with { WarningsAreErrors = areFaults }
            : WrittenSeverities.Unknown,
        "Severities" => SeveritiesIn(value) is { } severities ? read with { ByCode = severities } : WrittenSeverities.Unknown,
        _ => read,
    };

    /// <summary>The pairs of a dictionary that is created in place; null if one is not a constant.</summary>
    private static Dictionary<string, Severity>? SeveritiesIn(IOperation value)
    {
        if (Operations.WithoutConversions(value) is not IObjectCreationOperation { Arguments.IsEmpty: true } creation)
        {
            return null;
        }

        Dictionary<string, Severity> severities = [];
        foreach (IOperation each in creation.Initializer?.Initializers ?? [])
        {
            (IOperation? key, IOperation? severity) = each switch
            {
                ISimpleAssignmentOperation { Target: IPropertyReferenceOperation { Arguments: [var code] }, Value: var set } =>
                    (code.Value, set),
                IInvocationOperation { TargetMethod.Name: "Add", Arguments: [var code, var added] } => (code.Value, added.Value),
                _ => (null, null),
            };
            if (key?.ConstantValue.Value is not string text
                || FaultKind.Find(text) is not { } kind
                || severity?.ConstantValue.Value is not int level)
            {
                return null;
            }

            severities[kind.Code] = (Severity)level;
        }

        return severities;
    }
}
