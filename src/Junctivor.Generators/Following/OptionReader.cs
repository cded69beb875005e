using Junctivor.Graph;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Following;

/// <summary>Reads what is written behind a registration.</summary>
/// <param name="types">Reads types.</param>
/// <param name="values">Reads values.</param>
internal sealed class OptionReader(TypeReading types, ValueReading values)
{
    /// <summary>A registration with one option more.</summary>
    public WrittenRegistration With(WrittenRegistration registration, IInvocationOperation option, Frame frame)
    {
        RegistrationOptions options = registration.Options;
        return option.TargetMethod.Name switch
        {
            "Also" => registration.With(alsoServes: [.. registration.AlsoServes, TypeOf(option, "service", frame)]),
            "Marked" => registration.With(mark: MarkOf(option, frame)),
            "TargetMarked" => registration.With(targetMark: MarkOf(option, frame)),
            "OnlyFor" => registration.With(onlyFor: TypeOf(option, "consumer", frame)),
            "Replacing" => registration.With(options with { IsReplacing = true }),
            "IfMissing" => registration.With(options with { IsIfMissing = true }),
            "FirstChoice" => registration.With(options with { IsFirstChoice = true }),
            "ResolvedDirectly" => registration.With(options with { IsRoot = true }),
            "SuppliedLater" => registration.With(options with { IsSuppliedLater = true }),
            "LeaveUndisposed" => registration.With(options with { IsOwned = false }),
            "DisposeAtEnd" => registration.With(options with { IsOwned = true }),
            "Accept" => registration.With(options with
            {
                Accepted = [.. options.Accepted, new Acceptance(TextOf(option, "code", frame), TextOf(option, "reason", frame))],
            }),
            "WarmUp" or "WindDown" or "Background" => registration.With(
                options with { HasWarmUp = true }, warming: Sorted(registration.Warming, option.TargetMethod.Name)),
            "Passing" => registration.With(passed: [.. registration.Passed, ConstantOf(option, frame)]),
            _ => throw Operations.Unknown(option, "the option"),
        };
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
