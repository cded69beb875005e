using Junctivor.Graph;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp.Syntax;
using Microsoft.CodeAnalysis.Operations;
using Microsoft.CodeAnalysis.Text;

namespace Junctivor.Generators.Following;

/// <summary>Reads what is written behind a registration.</summary>
/// <param name="types">Reads types.</param>
/// <param name="values">Reads values.</param>
internal sealed class OptionReader(TypeReading types, ValueReading values)
{
    /// <summary>A copy of a registration with one option more.</summary>
    public WrittenRegistration With(WrittenRegistration registration, IInvocationOperation option, Frame frame)
    {
        WrittenRegistration copy = registration.Derive() with { Written = [.. registration.Written, WrittenBy(option)] };
        RegistrationOptions options = copy.Options;
        return option.TargetMethod.Name switch
        {
            OptionNames.Also => copy with { AlsoServes = [.. copy.AlsoServes, TypeOf(option, "service", frame)] },
            OptionNames.Marked => copy with { Mark = MarkOf(option, frame) },
            OptionNames.TargetMarked => copy with { TargetMark = MarkOf(option, frame) },
            OptionNames.OnlyFor => copy with { OnlyFor = TypeOf(option, "consumer", frame) },
            OptionNames.Accept => copy with { Options = options with { Accepted = [.. options.Accepted, AcceptanceOf(option, frame)] } },
            OptionNames.WarmUp or OptionNames.WindDown or OptionNames.Background => copy with
            {
                Options = options with { HasWarmUp = true },
                Warming = Sorted(copy.Warming, option.TargetMethod.Name),
            },
            OptionNames.Passing => copy with { Passed = [.. copy.Passed, ConstantOf(option, frame)] },
            string name when Enum.TryParse(name, out RegistrationFlags flag) => copy with { Options = options.With(flag) },
            _ => throw Unfollowable.Unknown(option, "the option"),
        };
    }

    /// <summary>The call without its receiver.</summary>
    public static WrittenOption WrittenBy(IInvocationOperation option)
    {
        SyntaxNode call = option.Syntax;
        int start = call is InvocationExpressionSyntax { Expression: MemberAccessExpressionSyntax { Name: var name } }
            ? name.SpanStart
            : call.SpanStart;
        TextSpan span = TextSpan.FromBounds(start, call.Span.End);
        return new WrittenOption(
            option.TargetMethod.Name, call.ToString().Substring(start - call.SpanStart), call.SyntaxTree.GetLocation(span));
    }

    private ITypeSymbol TypeOf(IInvocationOperation option, string parameter, Frame frame) => option.TargetMethod.TypeArguments.Length > 0
        ? types.In(option.TargetMethod.TypeArguments[0], frame, option)
        : types.OfValue(Operations.Argument(option, parameter), frame);

    private object MarkOf(IInvocationOperation option, Frame frame)
    {
        if (option.TargetMethod.TypeArguments.Length > 0)
        {
            return types.In(option.TargetMethod.TypeArguments[0], frame, option);
        }

        IOperation mark = Operations.Argument(option, "mark");
        return values.OpenParameter(mark, frame) is { } given ? given
            : Operations.IsOf(option.TargetMethod.Parameters[0].Type, WellKnownTypes.TypeOfTypes) ? types.OfValue(mark, frame)
            : values.TextOf(mark, frame);
    }

    private Acceptance AcceptanceOf(IInvocationOperation option, Frame frame) =>
        new(TextOf(option, "code", frame), TextOf(option, "reason", frame));

    private static IReadOnlyList<string> Sorted(IReadOnlyList<string> known, string added) =>
        [.. known.Append(added).Distinct().OrderBy(name => name, StringComparer.Ordinal)];

    private string TextOf(IInvocationOperation option, string parameter, Frame frame) =>
        values.TextOf(Operations.Argument(option, parameter), frame);

    private WrittenConstant ConstantOf(IInvocationOperation option, Frame frame)
    {
        IOperation passed = Operations.Argument(option, "value");
        IOperation plain = Operations.WithoutConversions(passed);
        ITypeSymbol type = types.In(option.TargetMethod.TypeArguments[0], frame, option);
        ITypeSymbol actual = Underlying(plain.Type is null or { TypeKind: TypeKind.Error } ? type : types.In(plain.Type, frame, option));
        bool isNumber = plain.ConstantValue.HasValue && type.IsValueType;
        return new WrittenConstant(
            Operations.ArgumentOrNull(option, "parameter") is { } name ? values.TextOf(name, frame) : null,
            type,
            isNumber ? Underlying(type) : actual,
            isNumber || actual.IsValueType || actual.IsSealed || plain is IObjectCreationOperation or IArrayCreationOperation,
            plain.ConstantValue is { HasValue: true, Value: null } || plain is IDefaultValueOperation { Type.IsValueType: false },
            Operations.LocationOf(passed));
    }

    private static ITypeSymbol Underlying(ITypeSymbol type) =>
        type is INamedTypeSymbol { ConstructedFrom.SpecialType: SpecialType.System_Nullable_T } nullable ? nullable.TypeArguments[0] : type;
}
