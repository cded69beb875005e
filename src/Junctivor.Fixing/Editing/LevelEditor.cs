using Junctivor.Checks;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace Junctivor.Fixing.Editing;

/// <summary>Declares one scope level within another.</summary>
internal static class LevelEditor
{
    /// <exception cref="CannotEditException">The edit cannot be made.</exception>
    public static IEnumerable<SourceChange> ChangesOf(CSharpCompilation compilation, SourceEdit edit)
    {
        BaseObjectCreationExpressionSyntax inner = CreationOf(compilation, edit.Text);
        BaseObjectCreationExpressionSyntax outer = CreationOf(compilation, edit.Parameter!);
        if (IsStartedFrom(compilation, SymbolOf(compilation, outer), SymbolOf(compilation, inner)))
        {
            throw new CannotEditException($"the program starts a scope of {edit.Parameter} from a scope of {edit.Text}");
        }

        MemberDeclarationSyntax innerMember = MemberOf(inner);
        MemberDeclarationSyntax outerMember = MemberOf(outer);
        if (inner.ArgumentList is not { } arguments
            || SymbolOf(compilation, outer) is not { ContainingType: { } home } level)
        {
            throw new CannotEditException("the levels are not declared as fields");
        }

        bool isAtHome = innerMember.Parent == outerMember.Parent;
        yield return SourceChange.Insert(
            inner.SyntaxTree, arguments.Arguments.Span.End, $", within: {(isAtHome ? level.Name : $"{home.Name}.{level.Name}")}");
        if (isAtHome && outerMember.SpanStart > innerMember.SpanStart)
        {
            // Static fields are initialized in the order in which they are written.
            yield return SourceChange.Remove(outer.SyntaxTree, outerMember.FullSpan);
            yield return SourceChange.Insert(inner.SyntaxTree, innerMember.FullSpan.Start, outerMember.ToFullString());
        }
    }

    /// <summary>Whether the program starts a scope of one level from a variable that holds a scope of the other.</summary>
    private static bool IsStartedFrom(CSharpCompilation compilation, ISymbol? level, ISymbol? outer) => compilation.SyntaxTrees.Any(tree =>
    {
        SemanticModel model = compilation.GetSemanticModel(tree);
        return tree.GetRoot().DescendantNodes()
            .OfType<InvocationExpressionSyntax>()
            .Any(call => Starts(model, call, level)
                && call.Expression is MemberAccessExpressionSyntax { Expression: { } receiver }
                && model.GetSymbolInfo(receiver).Symbol is ILocalSymbol { DeclaringSyntaxReferences: [SyntaxReference variable] }
                && variable.GetSyntax().DescendantNodes().OfType<InvocationExpressionSyntax>().Any(start => Starts(model, start, outer)));
    });

    private static bool Starts(SemanticModel model, InvocationExpressionSyntax call, ISymbol? level) =>
        call.Expression is MemberAccessExpressionSyntax { Name.Identifier.ValueText: "StartScope" or "StartScopeAsync" }
        && call.ArgumentList.Arguments is [ArgumentSyntax first, ..]
        && SymbolEqualityComparer.Default.Equals(model.GetSymbolInfo(first.Expression).Symbol, level);

    private static ISymbol? SymbolOf(CSharpCompilation compilation, BaseObjectCreationExpressionSyntax creation) =>
        compilation.GetSemanticModel(creation.SyntaxTree).GetDeclaredSymbol(NamedBy(MemberOf(creation)));

    private static BaseObjectCreationExpressionSyntax CreationOf(CSharpCompilation compilation, string level)
    {
        List<BaseObjectCreationExpressionSyntax> found = [];
        foreach (SyntaxTree tree in compilation.SyntaxTrees)
        {
            SemanticModel model = compilation.GetSemanticModel(tree);
            found.AddRange(tree.GetRoot().DescendantNodes()
                .OfType<BaseObjectCreationExpressionSyntax>()
                .Where(creation => creation.ArgumentList?.Arguments.FirstOrDefault() is { } name
                    && model.GetTypeInfo(creation).Type?.Name == "ScopeLevel"
                    && model.GetConstantValue(name.Expression) is { HasValue: true, Value: string text } && text == level));
        }

        return found is [BaseObjectCreationExpressionSyntax only] ? only
            : throw new CannotEditException($"the level '{level}' is not declared exactly once in the sources");
    }

    private static MemberDeclarationSyntax MemberOf(SyntaxNode creation) =>
        creation.FirstAncestorOrSelf<MemberDeclarationSyntax>() is { } member and (FieldDeclarationSyntax or PropertyDeclarationSyntax)
            ? member
            : throw new CannotEditException("the levels are not declared as fields");

    private static SyntaxNode NamedBy(MemberDeclarationSyntax member) =>
        member is FieldDeclarationSyntax field ? field.Declaration.Variables[0] : member;
}
