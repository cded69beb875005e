using Junctivor.Graph;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;
using Microsoft.CodeAnalysis.Text;

namespace Junctivor.Fixing.Editing;

/// <summary>The parameter that a fix writes, and how it replaces the one that stands there.</summary>
internal sealed class ParameterText
{
    private readonly ParameterSyntax _written;

    public ParameterText(string text) => _written = SyntaxFactory.ParseParameterList($"({text})").Parameters[0];

    /// <summary>Its type as it is written.</summary>
    public string Type => _written.Type!.ToString();

    /// <summary>What defers the service in it, such as <c>Lazy</c>; null if nothing does.</summary>
    public string? Wrapper => WrapperOf(_written.Type!);

    public static string? WrapperOf(TypeSyntax type) =>
        type is GenericNameSyntax { TypeArgumentList.Arguments.Count: 1 } generic
            && DeferredForm.All.Any(form => form.Name == generic.Identifier.ValueText)
            ? generic.Identifier.ValueText
            : null;

    /// <summary>The type and the mark of a parameter; its other attributes and its default stay.</summary>
    public IEnumerable<SourceChange> InPlaceOf(ParameterSyntax old)
    {
        foreach (AttributeListSyntax list in old.AttributeLists.Where(IsMark))
        {
            yield return SourceChange.Remove(
                old.SyntaxTree, TextSpan.FromBounds(list.SpanStart, list.GetLastToken().GetNextToken().SpanStart));
        }

        string marks = string.Concat(_written.AttributeLists.Select(list => $"{list} "));
        yield return SourceChange.Replace(old.Type!, marks + Type);
    }

    private static bool IsMark(AttributeListSyntax list) => list.Attributes.All(attribute => attribute.Name switch
    {
        GenericNameSyntax generic => generic.Identifier.ValueText,
        _ => attribute.Name.ToString(),
    } is "Marked" or "MarkedAttribute" or "IncludingMarked" or "IncludingMarkedAttribute");
}
