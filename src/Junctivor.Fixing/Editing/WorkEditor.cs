using Junctivor.Checks;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;
using Microsoft.CodeAnalysis.Text;

namespace Junctivor.Fixing.Editing;

/// <summary>Moves what a class does into a new class for one unit of work; the old one runs it in a fresh scope.</summary>
internal static class WorkEditor
{
    private const string Parameter = "work";

    /// <exception cref="CannotEditException">The class does more than work: it keeps something between two calls, or has a
    /// base.</exception>
    public static IEnumerable<SourceChange> ChangesOf(CSharpCompilation compilation, SourceEdit edit)
    {
        INamedTypeSymbol type = MetadataName.Find(compilation, edit.Type!);
        if (type.DeclaringSyntaxReferences is not [SyntaxReference only] || only.GetSyntax() is not ClassDeclarationSyntax declaration)
        {
            throw new CannotEditException($"{type.Name} is not declared as a class in one place");
        }

        RefuseMoreThanWork(type);
        IReadOnlyList<IMethodSymbol> called = [.. CalledMethods(type)];
        if (edit.State is { } kept && called.Count > 1)
        {
            throw new CannotEditException(
                $"what {type.Name} needs keeps {kept}, which {string.Join(" and ", called.Select(method => method.Name))} "
                    + "would not share any more");
        }

        string indent = Lines.IndentAt(declaration.SyntaxTree, declaration.SpanStart);
        string newLine = Lines.BreakOf(declaration.SyntaxTree);
        string old = string.Concat(declaration.AttributeLists.Select(list => $"{list}{newLine}{indent}"))
            + $"{declaration.Modifiers} class {type.Name}(FreshScope<{edit.Text}> {Parameter}) {declaration.BaseList}".TrimEnd()
            + $"{newLine}{indent}{{{newLine}"
            + string.Join(newLine + newLine, called.Select(method => $"{indent}{Lines.Indent}{Delegating(method)}"))
            + $"{newLine}{indent}}}{newLine}{newLine}{indent}";
        yield return SourceChange.Insert(declaration.SyntaxTree, declaration.SpanStart, old);
        foreach (SyntaxToken name in NamesIn(declaration, type))
        {
            yield return SourceChange.Replace(name, edit.Text);
        }

        foreach (AttributeListSyntax list in declaration.AttributeLists)
        {
            yield return SourceChange.Remove(
                declaration.SyntaxTree, TextSpan.FromBounds(list.SpanStart, list.GetLastToken().GetNextToken().SpanStart));
        }

        if (declaration.BaseList is { } bases)
        {
            yield return SourceChange.Remove(
                declaration.SyntaxTree,
                TextSpan.FromBounds(bases.GetFirstToken().GetPreviousToken().Span.End, bases.Span.End));
        }
    }

    private static void RefuseMoreThanWork(INamedTypeSymbol type)
    {
        if (type.BaseType?.SpecialType != SpecialType.System_Object)
        {
            throw new CannotEditException($"{type.Name} has a base class");
        }

        if (type.AllInterfaces.Any(each => each.Name is "IDisposable" or "IAsyncDisposable"))
        {
            throw new CannotEditException($"{type.Name} is disposed itself");
        }

        HashSet<ITypeSymbol> given = new(
            type.InstanceConstructors.SelectMany(constructor => constructor.Parameters).Select(parameter => parameter.Type),
            SymbolEqualityComparer.Default);
        if (type.GetMembers().OfType<IFieldSymbol>().FirstOrDefault(
            field => !field.IsStatic && !IsCaptured(field) && (!field.IsReadOnly || !given.Contains(field.Type))) is { } state)
        {
            throw new CannotEditException($"{type.Name} keeps {state.AssociatedSymbol?.Name ?? state.Name} between two calls");
        }

        if (type.GetMembers().FirstOrDefault(member => member is IPropertySymbol or IEventSymbol
            && member.DeclaredAccessibility is Accessibility.Public or Accessibility.Internal) is { } other)
        {
            throw new CannotEditException($"{type.Name} has {other.Name} beside its methods");
        }
    }

    /// <summary>A parameter of a primary constructor that the class goes on using.</summary>
    private static bool IsCaptured(IFieldSymbol field) => field is { IsImplicitlyDeclared: true, AssociatedSymbol: null };

    private static IEnumerable<IMethodSymbol> CalledMethods(INamedTypeSymbol type) => type.GetMembers()
        .OfType<IMethodSymbol>()
        .Where(method => method is { MethodKind: MethodKind.Ordinary, IsStatic: false, IsImplicitlyDeclared: false }
            && method.DeclaredAccessibility is Accessibility.Public or Accessibility.Internal)
        .Select(method => !method.IsGenericMethod && !method.IsOverride && method.Parameters.All(parameter =>
            parameter is { RefKind: RefKind.None } && parameter.Name != Parameter)
                ? RefuseLongRun(method)
                : throw new CannotEditException($"{method.Name} cannot be called through a lambda as it is"));

    /// <summary>A scope around a loop that waits, or that ends before its result is read, would be no unit of work.</summary>
    private static IMethodSymbol RefuseLongRun(IMethodSymbol method)
    {
        SyntaxNode syntax = method.DeclaringSyntaxReferences[0].GetSyntax();
        return syntax.DescendantNodes().Any(node => WaitingLoop.IsLoop(node) && WaitingLoop.Is(node) != false)
            ? throw new CannotEditException($"{method.Name} waits in a loop, and the scope belongs inside it")
            : TaskTypes.IsReadLater(method.ReturnType) || syntax.DescendantNodes().OfType<YieldStatementSyntax>().Any()
            ? throw new CannotEditException($"what {method.Name} returns is read after its scope was disposed")
            : method;
    }

    private static string Delegating(IMethodSymbol method)
    {
        MethodDeclarationSyntax syntax = (MethodDeclarationSyntax)method.DeclaringSyntaxReferences[0].GetSyntax();
        string modifiers =
            string.Concat(syntax.Modifiers.Where(modifier => !modifier.IsKind(SyntaxKind.AsyncKeyword)).Select(modifier => $"{modifier} "));
        string arguments = string.Join(", ", method.Parameters.Select(parameter => parameter.Name));
        bool isAsync = method.ReturnType.Name is "Task" or "ValueTask";
        string call = $"{Parameter}.{(isAsync ? "RunAsync" : "Run")}(fresh => fresh.{method.Name}({arguments}))";
        return $"{modifiers}{syntax.ReturnType} {method.Name}{syntax.ParameterList} => {call};";
    }

    private static IEnumerable<SyntaxToken> NamesIn(ClassDeclarationSyntax declaration, INamedTypeSymbol type) =>
        declaration.DescendantTokens()
        .Where(token => token.IsKind(SyntaxKind.IdentifierToken) && token.ValueText == type.Name
            && token.Parent is ClassDeclarationSyntax or ConstructorDeclarationSyntax or IdentifierNameSyntax);
}
