using Junctivor.Graph;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace Junctivor.Generators.Symbols;

/// <summary>The types of a program, by the compiler's symbols. Of types of other assemblies only members that are not private are
/// known.</summary>
/// <param name="edition">Where the symbols come from.</param>
internal sealed class SymbolTypes(Edition edition) : TypeModel<ITypeSymbol>
{
    private readonly Compilation _compilation = edition.First;

    public override IEqualityComparer<ITypeSymbol> Comparer => SymbolEqualityComparer.Default;

    public override bool IsParameter(ITypeSymbol type) => type is ITypeParameterSymbol;

    public override bool IsOpen(ITypeSymbol type) => SymbolType.IsOpenType(type);

    public override bool IsInterface(ITypeSymbol type) => type.TypeKind == TypeKind.Interface;

    public override bool IsValueType(ITypeSymbol type) => type.IsValueType;

    public override bool IsPrivate(ITypeSymbol type) => type.DeclaredAccessibility == Accessibility.Private;

    public override string ShortName(ITypeSymbol type) => SymbolNames.Short(type);

    public override string DefinitionName(ITypeSymbol type) => SymbolNames.Definition(type);

    public override string NamespaceOf(ITypeSymbol type) => type.ContainingNamespace?.ToDisplayString() ?? "";

    public override ITypeSymbol DefinitionOf(ITypeSymbol type) => type.OriginalDefinition;

    public override IReadOnlyList<ITypeSymbol> ArgumentsOf(ITypeSymbol type) =>
        type is INamedTypeSymbol { IsGenericType: true } named ? [.. SymbolType.AllArguments(named)] : [];

    public override (ITypeSymbol Element, int Rank)? ArrayOf(ITypeSymbol type) =>
        type is IArrayTypeSymbol array ? (array.ElementType, array.Rank) : null;

    public override ITypeSymbol? BaseOf(ITypeSymbol type) =>
        type.BaseType is { SpecialType: not SpecialType.System_Object } parent ? parent : null;

    public override IEnumerable<ITypeSymbol> SupertypesOf(ITypeSymbol type) =>
        SymbolType.AllSupertypes(type).Where(supertype => supertype.SpecialType != SpecialType.System_Object);

    public override ITypeSymbol Outermost(ITypeSymbol type) => type.ContainingType is null ? type : Outermost(type.ContainingType);

    public override bool IsAssignable(ITypeSymbol from, ITypeSymbol to) => _compilation.ClassifyCommonConversion(from, to) is
    {
        Exists: true, IsImplicit: true, IsUserDefined: false, IsNumeric: false, IsNullable: false,
    };

    public override ParameterDemands DemandsOf(ITypeSymbol parameter)
    {
        ITypeParameterSymbol declared = (ITypeParameterSymbol)parameter;
        return (declared.HasReferenceTypeConstraint ? ParameterDemands.Class : 0)
            | (declared.HasValueTypeConstraint || declared.HasUnmanagedTypeConstraint ? ParameterDemands.Struct : 0)
            | (declared.HasConstructorConstraint ? ParameterDemands.Constructor : 0);
    }

    public override IEnumerable<ITypeSymbol> ConstraintsOf(ITypeSymbol parameter) => ((ITypeParameterSymbol)parameter).ConstraintTypes;

    public override bool HasDefaultConstructor(ITypeSymbol type) => type.IsValueType
        || (!type.IsAbstract && ConstructorsOf(type).Any(constructor => constructor.Parameters.IsEmpty));

    public override bool IsOfCoreLibrary(ITypeSymbol type) => SymbolEqualityComparer.Default.Equals(
        type.ContainingAssembly, _compilation.GetSpecialType(SpecialType.System_Object).ContainingAssembly);

    public override ITypeSymbol? TryClose(ITypeSymbol definition, Func<ITypeSymbol, ITypeSymbol> argumentOf)
    {
        Dictionary<ITypeSymbol, ITypeSymbol> arguments = ArgumentsOf(definition)
            .ToDictionary<ITypeSymbol, ITypeSymbol, ITypeSymbol>(parameter => parameter, argumentOf, SymbolEqualityComparer.Default);
        return arguments.Keys.All(parameter => IsSatisfied(parameter, arguments))
            ? Substitution.In(definition, arguments, _compilation)
            : null;
    }

    public override IEnumerable<ITypeSymbol> ConstructorParametersOf(ITypeSymbol type) => ConstructorsOf(type)
        .SelectMany(constructor => constructor.Parameters)
        .Select(parameter => Plain(parameter.Type));

    public override IEnumerable<KeptMember<ITypeSymbol>> FieldsOf(ITypeSymbol type) =>
        MembersOf(edition.WithMembers(type)).Select(KeptBy).OfType<KeptMember<ITypeSymbol>>();

    public override IEnumerable<UsableMember<ITypeSymbol>> MethodsOf(ITypeSymbol type) =>
        from method in edition.WithMembers(type).GetMembers().OfType<IMethodSymbol>()
        where IsPublicOfInstance(method) && method.MethodKind == MethodKind.Ordinary
        select new UsableMember<ITypeSymbol>(
            $"{method.Name}({string.Join(", ", method.Parameters.Select(parameter => parameter.Name))})",
            method.Name,
            edition.InFirst(method.ReturnType),
            method.IsGenericMethod || BaseOf(method).ContainingType.SpecialType == SpecialType.System_Object);

    public override IEnumerable<UsableMember<ITypeSymbol>> PropertiesOf(ITypeSymbol type) =>
        from property in edition.WithMembers(type).GetMembers().OfType<IPropertySymbol>()
        where IsPublicOfInstance(property) && !property.IsIndexer
        select new UsableMember<ITypeSymbol>(property.Name, property.Name, edition.InFirst(property.Type));

    private bool IsSatisfied(ITypeSymbol parameter, Dictionary<ITypeSymbol, ITypeSymbol> found)
    {
        ITypeSymbol argument = found[parameter];
        ParameterDemands demands = DemandsOf(parameter);
        return !(demands.HasFlag(ParameterDemands.Class) && argument.IsValueType)
            && !(demands.HasFlag(ParameterDemands.Struct)
                && (!argument.IsValueType || argument.OriginalDefinition.SpecialType == SpecialType.System_Nullable_T))
            && !(demands.HasFlag(ParameterDemands.Constructor) && !HasDefaultConstructor(argument))
            && ConstraintsOf(parameter).All(each => IsAssignable(argument, Substitution.In(each, found, _compilation)));
    }

    /// <summary>The members, as a build sees them: of types of other assemblies those that code of this one can name. An editor has the
    /// source of other projects, but must not report more than the build.</summary>
    private IEnumerable<ISymbol> MembersOf(ITypeSymbol type) =>
        IsHere(type)
            ? type.GetMembers()
            : type.GetMembers().Where(member => member is not IEventSymbol
                && _compilation.IsSymbolAccessibleWithin(member.OriginalDefinition, _compilation.Assembly));

    private IEnumerable<IMethodSymbol> ConstructorsOf(ITypeSymbol type) => SymbolType.PublicConstructors(edition.WithMembers(type));

    private bool IsHere(ITypeSymbol type) =>
        SymbolEqualityComparer.Default.Equals(type.ContainingAssembly, edition.First.Assembly)
        || SymbolEqualityComparer.Default.Equals(type.ContainingAssembly, edition.Current.Assembly);

    private ITypeSymbol Plain(ITypeSymbol type) => Erasure.Of(edition.InFirst(type), _compilation);

    private KeptMember<ITypeSymbol>? KeptBy(ISymbol member) => member switch
    {
        IEventSymbol { IsStatic: false, IsAbstract: false } happening when IsFieldLike(happening) =>
            new(happening.Name, Plain(happening.Type), IsReadOnly: false, IsOfProperty: false, IsCaptured: false),
        IFieldSymbol { IsStatic: false } field => KeptByField(field),
        _ => null,
    };

    private KeptMember<ITypeSymbol> KeptByField(IFieldSymbol field)
    {
        bool isCaptured = field.Name.StartsWith('<') && field.Name.EndsWith(">P", StringComparison.Ordinal);
        IPropertySymbol? property = field.AssociatedSymbol as IPropertySymbol;
        string name = property?.Name ?? (isCaptured ? field.Name[1..^2] : field.Name);
        return new(name, Plain(field.Type), field.IsReadOnly, property is not null, isCaptured);
    }

    private static bool IsFieldLike(IEventSymbol happening) =>
        happening.DeclaringSyntaxReferences.Any(reference => reference.GetSyntax() is VariableDeclaratorSyntax);

    private static bool IsPublicOfInstance(ISymbol member) => member is { IsStatic: false, DeclaredAccessibility: Accessibility.Public };

    private static IMethodSymbol BaseOf(IMethodSymbol method) => method.OverriddenMethod is { } overridden ? BaseOf(overridden) : method;
}
