using Microsoft.CodeAnalysis.CSharp.Syntax;
using Microsoft.CodeAnalysis.Text;

namespace Junctivor.Fixing.Editing;

/// <summary>Lets a class use a service directly, that it came to through a function, a Lazy or a fresh scope until now.</summary>
internal static class DirectUses
{
    /// <exception cref="CannotEditException">It does something else with what it has.</exception>
    public static IEnumerable<SourceChange> ChangesOf(ParameterUses uses, string former) => Replace(uses, former, use => use);

    /// <summary>Replaces each use, with what brings the service, by another text.</summary>
    /// <exception cref="CannotEditException">It does something else with what it has.</exception>
    public static IEnumerable<SourceChange> Replace(ParameterUses uses, string former, Func<string, string> written) =>
        [.. uses.Expressions.SelectMany(use => Replace(use, former, written($"{use}")))];

    private static IEnumerable<SourceChange> Replace(ExpressionSyntax use, string former, string written) => (former, use.Parent) switch
    {
        ("Func", InvocationExpressionSyntax call) when call.Expression == use => [SourceChange.Replace(call, written)],
        ("Lazy", MemberAccessExpressionSyntax { Name.Identifier.ValueText: "Value" } value) => [SourceChange.Replace(value, written)],
        ("FreshScope", MemberAccessExpressionSyntax { Parent: InvocationExpressionSyntax { ArgumentList.Arguments: [var work] } run }) =>
            Inlined(run, work.Expression, written),
        _ => throw new CannotEditException($"{use} is handed on as a {former}"),
    };

    /// <summary>The body of the work, in place of the call that runs it.</summary>
    private static IEnumerable<SourceChange> Inlined(InvocationExpressionSyntax run, ExpressionSyntax work, string written)
    {
        if (work is not LambdaExpressionSyntax { AsyncKeyword.RawKind: 0, ExpressionBody: { } body } lambda
            || ParameterOf(lambda) is not { } parameter)
        {
            throw new CannotEditException("the work in the fresh scope is more than one expression");
        }

        yield return SourceChange.Remove(run.SyntaxTree, TextSpan.FromBounds(run.SpanStart, body.SpanStart));
        foreach (IdentifierNameSyntax name in body.DescendantNodesAndSelf().OfType<IdentifierNameSyntax>())
        {
            if (name.Identifier.ValueText == parameter)
            {
                yield return SourceChange.Replace(name, written);
            }
        }

        yield return SourceChange.Remove(run.SyntaxTree, TextSpan.FromBounds(body.Span.End, run.Span.End));
    }

    private static string? ParameterOf(LambdaExpressionSyntax lambda) => lambda switch
    {
        SimpleLambdaExpressionSyntax simple => simple.Parameter.Identifier.ValueText,
        ParenthesizedLambdaExpressionSyntax { ParameterList.Parameters: [var only] } => only.Identifier.ValueText,
        _ => null,
    };
}
