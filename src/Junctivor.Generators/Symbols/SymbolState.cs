using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace Junctivor.Generators.Symbols;

/// <summary>
/// Finds what an object keeps of its own, beside what its constructor was given: what can be set, values that were settled
/// when it was created, and collections. Of types of other assemblies only what is not private is known.
/// </summary>
internal static class SymbolState
{
    private static readonly string[] MomentTypes =
        ["System.DateTime", "System.DateTimeOffset", "System.DateOnly", "System.TimeOnly", "System.Guid"];

    /// <summary>The names of the fields and properties that keep it.</summary>
    public static IReadOnlyList<string> Of(ITypeSymbol type, Compilation compilation)
    {
        HashSet<ITypeSymbol> given = new(
            PublicConstructors(type)
                .SelectMany(constructor => constructor.Parameters)
                .Select(parameter => Erasure.Of(parameter.Type, compilation)),
            SymbolEqualityComparer.Default);
        List<string> names = [];
        for (ITypeSymbol? declaring = type; declaring is { SpecialType: not SpecialType.System_Object }; declaring = declaring.BaseType)
        {
            names.AddRange(MembersOf(declaring, compilation).Where(member => IsState(member, given, compilation)).Select(NameOf));
        }

        return names;
    }

    /// <summary>The names of the fields and properties that keep a date, a time or a new identifier.</summary>
    public static IReadOnlyList<string> MomentsOf(ITypeSymbol type, Compilation compilation) =>
    [
        .. MembersOf(type, compilation).OfType<IFieldSymbol>().Where(field => !field.IsStatic && IsMoment(field.Type)).Select(NameOf),
    ];

    /// <summary>The constructors that somebody could call.</summary>
    public static IEnumerable<IMethodSymbol> PublicConstructors(ITypeSymbol type) => type is INamedTypeSymbol named
        ? named.InstanceConstructors.Where(constructor =>
            constructor.DeclaredAccessibility == Accessibility.Public
            && !(constructor.IsImplicitlyDeclared && named.IsValueType))
        : [];

    /// <summary>The members, as a build sees them: of types of other assemblies those that code of this one can name. An editor has the
    /// source of other projects, but must not say more than the build.</summary>
    private static IEnumerable<ISymbol> MembersOf(ITypeSymbol type, Compilation compilation) =>
        SymbolEqualityComparer.Default.Equals(type.ContainingAssembly, compilation.Assembly)
            ? type.GetMembers()
            : type.GetMembers().Where(member => member is not IEventSymbol
                && compilation.IsSymbolAccessibleWithin(member.OriginalDefinition, compilation.Assembly));

    private static bool IsMoment(ITypeSymbol type) => MomentTypes.Contains(SymbolNames.Definition(type));

    private static bool IsState(ISymbol member, HashSet<ITypeSymbol> given, Compilation compilation)
    {
        if (member is IEventSymbol { IsStatic: false, IsAbstract: false } happening)
        {
            return IsFieldLike(happening) && !given.Contains(Erasure.Of(happening.Type, compilation));
        }

        if (member is not IFieldSymbol { IsStatic: false } field || IsCaptured(field))
        {
            return false;
        }

        bool isGiven = given.Contains(Erasure.Of(field.Type, compilation));
        bool isValue = field.Type.IsValueType || field.Type.SpecialType == SpecialType.System_String;
        return field.IsReadOnly
            ? !isGiven && (isValue || IsCollection(field.Type))
            : isValue || !isGiven || field.AssociatedSymbol is IPropertySymbol;
    }

    private static bool IsFieldLike(IEventSymbol happening) =>
        happening.DeclaringSyntaxReferences.Any(reference => reference.GetSyntax() is VariableDeclaratorSyntax);

    private static bool IsCollection(ITypeSymbol type) =>
        type.TypeKind is not (TypeKind.Interface or TypeKind.Array) && SymbolType.Implements(type, "System.Collections.ICollection");

    /// <summary>A parameter of a primary constructor that the class goes on using.</summary>
    private static bool IsCaptured(ISymbol field) => field.Name.StartsWith('<') && field.Name.EndsWith(">P", StringComparison.Ordinal);

    private static string NameOf(ISymbol member) =>
        member is IFieldSymbol { AssociatedSymbol: IPropertySymbol property } ? property.Name
        : IsCaptured(member) ? member.Name[1..^2]
        : member.Name;
}
