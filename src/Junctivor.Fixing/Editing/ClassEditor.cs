using Junctivor.Checks;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace Junctivor.Fixing.Editing;

/// <summary>Changes the head of a class, or of its constructors.</summary>
internal static class ClassEditor
{
    /// <exception cref="CannotEditException">The edit cannot be made.</exception>
    public static IEnumerable<SourceChange> ChangesOf(CSharpCompilation compilation, SourceEdit edit)
    {
        INamedTypeSymbol type = MetadataName.Find(compilation, edit.Type!);
        return
        [
            edit.Kind switch
            {
                SourceEditKind.AddAttribute => AddAttribute(type, edit.Parameter!, edit.Text),
                SourceEditKind.AddInterface => AddInterface(type, edit.Text),
                _ => MakePublic(type),
            },
        ];
    }

    private static SourceChange AddAttribute(INamedTypeSymbol type, string parameters, string attribute)
    {
        IMethodSymbol constructor = type.InstanceConstructors.FirstOrDefault(
            each => string.Join(",", each.Parameters.Select(parameter => parameter.Name)) == parameters)
            ?? throw new CannotEditException($"{type.Name} has no such constructor");
        SyntaxNode syntax = SyntaxOf(constructor);
        int start = syntax.GetFirstToken().SpanStart;
        string indent = Lines.BreakOf(syntax.SyntaxTree) + Lines.IndentAt(syntax.SyntaxTree, start);
        string written = syntax is TypeDeclarationSyntax ? $"[method: {attribute[1..]}" : attribute;
        return SourceChange.Insert(syntax.SyntaxTree, start, written + indent);
    }

    private static SourceChange AddInterface(INamedTypeSymbol type, string service)
    {
        if (SyntaxOf(type) is not TypeDeclarationSyntax declaration)
        {
            throw new CannotEditException($"{type.Name} is not declared as a class");
        }

        if (declaration.BaseList is { } bases)
        {
            return SourceChange.Insert(declaration.SyntaxTree, bases.Types.Span.End, $", {service}");
        }

        SyntaxNodeOrToken last = declaration.ParameterList is { } parameters ? parameters
            : declaration.TypeParameterList is { } typeParameters ? typeParameters
            : declaration.Identifier;
        return SourceChange.Insert(declaration.SyntaxTree, last.Span.End, $" : {service}");
    }

    private static SourceChange MakePublic(INamedTypeSymbol type)
    {
        if (type.InstanceConstructors is not [IMethodSymbol only] || SyntaxOf(only) is not ConstructorDeclarationSyntax constructor)
        {
            throw new CannotEditException($"{type.Name} does not have exactly one constructor");
        }

        SyntaxToken access = constructor.Modifiers.FirstOrDefault(modifier => modifier.Kind()
            is SyntaxKind.PrivateKeyword or SyntaxKind.InternalKeyword or SyntaxKind.ProtectedKeyword);
        return access.IsKind(SyntaxKind.None)
            ? SourceChange.Insert(constructor.SyntaxTree, constructor.Identifier.SpanStart, "public ")
            : SourceChange.Replace(access, "public");
    }

    private static SyntaxNode SyntaxOf(ISymbol symbol) => symbol.DeclaringSyntaxReferences.FirstOrDefault()?.GetSyntax()
        ?? throw new CannotEditException($"the source of {symbol.Name} is not part of this assembly");
}
