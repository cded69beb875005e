using Junctivor.Generators.Symbols;
using Junctivor.Graph;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Following;

/// <summary>Reads the classes that register themselves with an attribute.</summary>
internal static class SelfRegisteredClasses
{
    private const string Plain = "Junctivor.SelfRegisteredAttribute";
    private const string OfService = "Junctivor.SelfRegisteredAttribute`1";

    /// <summary>What <c>SelfRegistered.In</c> gives.</summary>
    public static IReadOnlyList<WiringEntry> Follow(IInvocationOperation call, TypeReading types, Frame frame) =>
        call.TargetMethod is { Name: "In", TypeArguments: [var inside] } && types.In(inside, frame, call).ContainingAssembly is { } assembly
            ? [.. In(assembly, call).Select(registration => new WiringEntry(registration, []))]
            : throw Unfollowable.Unknown(call, "which classes register themselves");

    /// <summary>Whether a class has such an attribute, or one derived from it.</summary>
    public static bool Are(INamedTypeSymbol type) => type.GetAttributes().Any(IsOne);

    private static IEnumerable<WrittenRegistration> In(IAssemblySymbol assembly, IInvocationOperation call) =>
        from type in AllTypes.In(assembly).Where(Are).OrderBy(SymbolNames.Definition, StringComparer.Ordinal)
        from same in type.GetAttributes().Where(IsOne).GroupBy(attribute => (LifetimeOf(attribute), MarkOf(attribute)))
        select same.All(IsKnown)
            ? Read(type, [.. same])
            : throw Unfollowable.Unknown(call, $"what the attribute of {SymbolNames.Short(type)} says");

    private static bool IsOne(AttributeData attribute)
    {
        INamedTypeSymbol? type = attribute.AttributeClass;
        while (type is not null && SymbolNames.Definition(type) is not (Plain or OfService))
        {
            type = type.BaseType;
        }

        return type is not null;
    }

    /// <summary>What one derived from it passes on is known only at run time.</summary>
    private static bool IsKnown(AttributeData attribute) => SymbolNames.Definition(attribute.AttributeClass!) is Plain or OfService;

    private static WrittenRegistration Read(INamedTypeSymbol type, IReadOnlyList<AttributeData> attributes)
    {
        IReadOnlyList<ITypeSymbol> services = [.. attributes.Select(attribute => ServiceOf(attribute) ?? type)];
        AttributeData first = attributes[0];
        return new WrittenRegistration
        {
            Service = services[0],
            AlsoServes = [.. services.Skip(1)],
            Kind = NodeKind.Class,
            Implementation = type,
            Level = LifetimeOf(first) switch { 0 => Level.Singleton, 1 => Level.Scoped, _ => Level.Transient },
            Mark = MarkOf(first),
            Place = PlaceOf(first),
            Location = first.ApplicationSyntaxReference is { } syntax ? syntax.SyntaxTree.GetLocation(syntax.Span) : Location.None,
        };
    }

    private static SourcePlace PlaceOf(AttributeData attribute) =>
        ArgumentOf(attribute, "file") is string file && ArgumentOf(attribute, "line") is int line ? new SourcePlace(file, line) : default;

    private static int LifetimeOf(AttributeData attribute) => ArgumentOf(attribute, "lifetime") as int? ?? 0;

    private static ITypeSymbol? ServiceOf(AttributeData attribute) =>
        attribute.AttributeClass!.TypeArguments.FirstOrDefault() ?? ArgumentOf(attribute, "service") as ITypeSymbol;

    private static object? MarkOf(AttributeData attribute) =>
        attribute.NamedArguments.FirstOrDefault(argument => argument.Key == "Mark").Value.Value;

    private static object? ArgumentOf(AttributeData attribute, string parameter) => attribute.AttributeConstructor?.Parameters
        .Zip(attribute.ConstructorArguments, (each, argument) => (each.Name, argument.Value))
        .FirstOrDefault(each => each.Name == parameter).Value;
}
