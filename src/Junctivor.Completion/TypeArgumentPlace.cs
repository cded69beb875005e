using System.Text.RegularExpressions;
using Junctivor.Generators.Symbols;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;
using Microsoft.CodeAnalysis.Text;

namespace Junctivor.Completion;

/// <summary>Recognizes by the text the place of the second type in <c>Singleton.Of&lt;ITideTable, …&gt;()</c>. The syntax tree does not
/// help, because without the closing bracket the parser takes the text for a comparison.</summary>
internal static class TypeArgumentPlace
{
    /// <summary>No service is written in more text than this.</summary>
    private const int Longest = 300;

    private static readonly Regex Before = new(
        @"(?<holder>\w+)\s*\.\s*Of\s*<(?<service>[^;{}()]*),\s*$", RegexOptions.RightToLeft | RegexOptions.CultureInvariant);

    /// <summary>Whether the second type argument of <c>Of</c> begins at a position.</summary>
    public static bool IsAt(SourceText text, int position) => Match(text, position) is { Success: true } found
        && IsBalanced(found.Groups["service"].Value);

    /// <summary>The service before that position; null if the call is not one of ours, or there is no such type.</summary>
    /// <returns>The service, and whether the call registers a decorator.</returns>
    public static (ITypeSymbol Service, bool IsOfDecorator)? Read(SemanticModel model, SourceText text, int position)
    {
        Match found = Match(text, position);
        ExpressionSyntax holder = SyntaxFactory.ParseExpression(found.Groups["holder"].Value);
        if (model.GetSpeculativeSymbolInfo(position, holder, SpeculativeBindingOption.BindAsExpression).Symbol is not { } registering
            || (registering as ITypeSymbol ?? TypeOf(registering))?.ContainingAssembly?.Name != "Junctivor")
        {
            return null;
        }

        TypeSyntax service = SyntaxFactory.ParseTypeName(found.Groups["service"].Value);
        return model.GetSpeculativeTypeInfo(position, service, SpeculativeBindingOption.BindAsTypeOrNamespace).Type is
        { TypeKind: not TypeKind.Error } type
                ? (Erasure.Of(type, model.Compilation), registering is ITypeSymbol { Name: "Decorator" })
                : null;
    }

    private static ITypeSymbol? TypeOf(ISymbol variable) => variable switch
    {
        ILocalSymbol local => local.Type,
        IFieldSymbol field => field.Type,
        IPropertySymbol property => property.Type,
        IParameterSymbol parameter => parameter.Type,
        _ => null,
    };

    private static Match Match(SourceText text, int position) =>
        Before.Match(text.ToString(TextSpan.FromBounds(Math.Max(0, position - Longest), position)));

    /// <summary>Whether it is one type, and not the first part of several.</summary>
    private static bool IsBalanced(string service)
    {
        int depth = 0;
        foreach (char letter in service)
        {
            depth += letter is '<' or '[' ? 1 : letter is '>' or ']' ? -1 : 0;
            if (depth < 0 || (depth == 0 && letter == ','))
            {
                return false;
            }
        }

        return depth == 0 && service.Trim().Length > 0;
    }
}
