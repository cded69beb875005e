using Junctivor.Generators.Following;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.CodeFixes;

/// <summary>An object that is constructed by hand, with all that is constructed for it alone.</summary>
internal sealed class Composition
{
    private readonly SemanticModel _model;
    private readonly SyntaxNode _block;
    private readonly CancellationToken _cancellationToken;
    private readonly PassedValues _values;
    private readonly Dictionary<ILocalSymbol, ConstructedClass> _locals = new(SymbolEqualityComparer.Default);
    private readonly List<ConstructedClass> _classes = [];
    private readonly List<StatementSyntax> _consumed = [];

    /// <summary>Variables that something else uses, too: their values are passed.</summary>
    private readonly IReadOnlyCollection<ISymbol> _shared;

    private Composition(SemanticModel model, SyntaxNode block, IReadOnlyCollection<ISymbol> shared, CancellationToken cancellationToken)
    {
        _model = model;
        _block = block;
        _shared = shared;
        _cancellationToken = cancellationToken;
        _values = new PassedValues(model, block);
    }

    /// <summary>The classes, each behind those that it needs.</summary>
    public IReadOnlyList<ConstructedClass> Classes => _classes;

    /// <summary>The declarations of variables that nothing else uses.</summary>
    public IReadOnlyList<StatementSyntax> Consumed => _consumed;

    /// <summary>Reads it; null if a wiring could not say the same.</summary>
    public static Composition? Read(
        SemanticModel model, StatementSyntax statement, BaseObjectCreationExpressionSyntax creation, CancellationToken cancellationToken)
    {
        SyntaxNode block = statement.Parent is GlobalStatementSyntax global ? global.Parent! : statement.Parent!;
        HashSet<ISymbol> shared = new(SymbolEqualityComparer.Default);
        while (model.GetOperation(creation, cancellationToken) is IObjectCreationOperation operation)
        {
            Composition composition = new(model, block, shared, cancellationToken);
            if (composition.Take(operation) is null || !composition.IsUnambiguous)
            {
                return null;
            }

            shared.UnionWith(composition._locals.Where(local => !composition.CanMove(local.Value)).Select(local => local.Key));

            shared.UnionWith(composition._locals.Keys.Where(local => composition.IsUsedOutside(local, creation)));
            if (!composition._locals.Keys.Any(shared.Contains))
            {
                return composition;
            }
        }

        return null;
    }

    private bool IsUsedOutside(ILocalSymbol local, SyntaxNode creation) =>
        !UsesOf(local).All(use => use.Ancestors().Any(around => around == creation || _consumed.Contains(around)));

    /// <summary>Whether the values that it is constructed with are the same in the statement that it is moved to.</summary>
    private bool CanMove(ConstructedClass declared) => declared.Values.All(_values.IsLasting);

    /// <summary>Two objects of one class, or two that serve one type, would need marks.</summary>
    private bool IsUnambiguous =>
        AreDistinct(_classes.Select(each => each.Type)) && AreDistinct(_classes.SelectMany(each => each.Services));

    private static bool AreDistinct(IEnumerable<ITypeSymbol> types)
    {
        HashSet<ITypeSymbol> met = new(SymbolEqualityComparer.Default);
        return types.All(met.Add);
    }

    private ConstructedClass? Take(IObjectCreationOperation creation)
    {
        if (creation is not { Initializer: null, Constructor: { DeclaredAccessibility: Accessibility.Public } constructor }
            || constructor.Parameters.Any(parameter => parameter.RefKind != RefKind.None)
            || creation.Type is not INamedTypeSymbol { TypeKind: TypeKind.Class } type
            || !type.Locations.Any(location => location.IsInSource)
            || type.InstanceConstructors.Count(each => each.DeclaredAccessibility == Accessibility.Public) != 1)
        {
            return null;
        }

        ConstructedClass taken = new(type);
        foreach (IArgumentOperation argument in creation.Arguments.Where(argument => argument.ArgumentKind == ArgumentKind.Explicit))
        {
            IParameterSymbol parameter = argument.Parameter!;
            if (Constructed(Operations.WithoutConversions(argument.Value)) is { } needed)
            {
                needed.Serve(parameter.Type);
                if (Operations.WithoutConversions(argument.Value) is IObjectCreationOperation)
                {
                    taken.Contain(needed);
                }
            }
            else
            {
                taken.Pass(parameter, argument.Value, _model);
            }
        }

        _classes.Add(taken);
        return taken;
    }

    /// <summary>What an argument constructs; null if it is a value.</summary>
    private ConstructedClass? Constructed(IOperation value)
    {
        if (value is IObjectCreationOperation creation)
        {
            return Take(creation);
        }

        if (value is not ILocalReferenceOperation { Local: { IsConst: false } local })
        {
            return null;
        }

        if (_locals.TryGetValue(local, out ConstructedClass? known))
        {
            return known;
        }

        if (DeclarationOf(local) is { } declaration
            && _model.GetOperation(declaration.Declaration.Variables[0].Initializer!.Value, _cancellationToken) is { } initial
            && Operations.WithoutConversions(initial) is IObjectCreationOperation made
            && Take(made) is { } taken)
        {
            _locals.Add(local, taken);
            _consumed.Add(declaration);
            return taken;
        }

        return null;
    }

    /// <summary>The declaration of a variable that is only passed to constructors; null of any other.</summary>
    private LocalDeclarationStatementSyntax? DeclarationOf(ILocalSymbol local) =>
        local.DeclaringSyntaxReferences[0].GetSyntax(_cancellationToken) is VariableDeclaratorSyntax
        {
            Initializer: not null,
            Parent: VariableDeclarationSyntax { Variables.Count: 1, Parent: LocalDeclarationStatementSyntax declaration },
        }
        && (declaration.Parent == _block || declaration.Parent?.Parent == _block)
        && !_shared.Contains(local, SymbolEqualityComparer.Default)
        && UsesOf(local).All(IsArgumentOfConstructor)
            ? declaration
            : null;

    private IEnumerable<IdentifierNameSyntax> UsesOf(ILocalSymbol local) => _block.DescendantNodes()
        .OfType<IdentifierNameSyntax>()
        .Where(name => name.Identifier.ValueText == local.Name
            && SymbolEqualityComparer.Default.Equals(_model.GetSymbolInfo(name, _cancellationToken).Symbol, local));

    private static bool IsArgumentOfConstructor(IdentifierNameSyntax use) =>
        use.Parent is ArgumentSyntax { RefKindKeyword.RawKind: 0, Parent.Parent: BaseObjectCreationExpressionSyntax };
}
