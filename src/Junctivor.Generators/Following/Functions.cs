using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace Junctivor.Generators.Following;

/// <summary>Finds the methods, local functions and lambdas that code stands in.</summary>
internal static class Functions
{
    /// <summary>Whether two nodes are the same code. The compiler creates the syntax of a body again if no one keeps it, so its place is
    /// compared.</summary>
    public static bool IsSame(SyntaxNode? one, SyntaxNode? other) =>
        one?.SyntaxTree == other?.SyntaxTree && one?.FullSpan == other?.FullSpan && one?.RawKind == other?.RawKind;

    /// <summary>The function that runs a node; null for the statements of a program without a class.</summary>
    public static SyntaxNode? FunctionAround(SyntaxNode node) => node.Ancestors().FirstOrDefault(IsFunction);

    public static bool IsFunction(SyntaxNode node) => node is AnonymousFunctionExpressionSyntax or LocalFunctionStatementSyntax
        or (MemberDeclarationSyntax and not GlobalStatementSyntax);

    /// <summary>The function that a variable or parameter is declared in.</summary>
    public static SyntaxNode? FunctionOf(ISymbol variable) =>
        variable.DeclaringSyntaxReferences[0].GetSyntax().Ancestors().FirstOrDefault(IsFunction);

    /// <summary>The parameter that the body of a method uses: of a partial method, that of the part with the body.</summary>
    public static IParameterSymbol InBody(IParameterSymbol parameter) =>
        parameter.OriginalDefinition is { ContainingSymbol: IMethodSymbol { PartialImplementationPart: { } body } } declared
            ? body.Parameters[declared.Ordinal]
            : parameter.OriginalDefinition;

    /// <summary>Whether a parameter belongs to an extension block, and so to all methods in it.</summary>
    public static bool IsOfBlock(ISymbol holder) =>
        holder is IParameterSymbol { ContainingSymbol: INamedTypeSymbol { TypeKind: TypeKind.Extension } };

    /// <summary>The parameter of an extension block; null for a method that is in none.</summary>
    public static IParameterSymbol? ExtensionParameterOf(IMethodSymbol method) =>
        method.ContainingType is { TypeKind: TypeKind.Extension, ExtensionParameter: { } extended } ? extended : null;
}
