using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Http.Metadata;

namespace Junctivor.EntryPoints;

/// <summary>A parameter of a handler, an action or a constructor; or a property that the host sets as if it was one.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Type">Its type.</param>
/// <param name="Attributes">What is written before it.</param>
/// <param name="IsOptional">Tells whether the host passes nothing where it has nothing, which takes a while to find out.</param>
internal sealed record HandlerParameter(string Name, Type Type, IReadOnlyList<object> Attributes, Func<bool> IsOptional)
{
    /// <summary>Whether it says that it is a service.</summary>
    public bool IsMarkedAsService =>
        Attributes.Any(attribute => attribute is IFromServiceMetadata or FromKeyedServicesAttribute);

    /// <summary>Whether it says that it comes from the request.</summary>
    public bool IsMarkedAsInput => Attributes.Any(attribute => attribute
        is IFromBodyMetadata or IFromFormMetadata or IFromHeaderMetadata or IFromQueryMetadata or IFromRouteMetadata);

    /// <summary>Its key, a mark of the wiring; null for none.</summary>
    public object? Key => Attributes.OfType<FromKeyedServicesAttribute>().FirstOrDefault()?.Key;

    /// <summary>Whether it is certain that nothing may be passed; also in a trimmed program, which tells of default values only.</summary>
    public bool IsCertainlyOptional() => IsOptional() && (IsNullabilityKnown || HasDefaultValue || Type.IsValueType);

    /// <summary>Whether it has a default value.</summary>
    public bool HasDefaultValue { get; init; }

    private static bool IsNullabilityKnown =>
        !AppContext.TryGetSwitch("System.Reflection.NullabilityInfoContext.IsSupported", out bool isKnown) || isKnown;

    public static HandlerParameter Of(ParameterInfo info) => new(
        info.Name ?? "", info.ParameterType, info.GetCustomAttributes(inherit: true),
        () => info.HasDefaultValue || IsNullable(context => context.Create(info)))
    {
        HasDefaultValue = info.HasDefaultValue,
    };

    /// <summary>The parameters of a method. In the place of one with <c>[AsParameters]</c> are its own: those of its constructor, or else
    /// its properties.</summary>
    public static IEnumerable<HandlerParameter> AllOf(MethodBase method) => method.GetParameters().SelectMany(info =>
        info.IsDefined(typeof(AsParametersAttribute)) ? MembersOf(info.ParameterType) : [Of(info)]);

    public static HandlerParameter Of(PropertyInfo info) => new(
        info.Name, info.PropertyType, info.GetCustomAttributes(inherit: true), () => IsNullable(context => context.Create(info)));

    [UnconditionalSuppressMessage("Trimming", "IL2070", Justification = Trimming.KeptByHost)]
    private static IEnumerable<HandlerParameter> MembersOf(Type type) =>
        type.GetConstructors() is [var only] && only.GetParameters() is { Length: > 0 } parameters
            ? parameters.Select(Of)
            : type.GetProperties().Where(property => property.CanWrite).Select(Of);

    /// <summary>A trimmed program has no more of it: then nothing is said to be missing that may be optional.</summary>
    private static bool IsNullable(Func<NullabilityInfoContext, NullabilityInfo> read) =>
        !IsNullabilityKnown || read(new NullabilityInfoContext()).WriteState == NullabilityState.Nullable;
}
