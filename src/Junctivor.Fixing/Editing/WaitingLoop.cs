using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace Junctivor.Fixing.Editing;

/// <summary>Loops in which a worker waits for the next piece of work: each round is a unit of work of its own.</summary>
internal static class WaitingLoop
{
    private static readonly string[] WaitingMethods = ["Delay", "Sleep"];
    private static readonly string[] WaitingPrefixes = ["Wait", "Receive", "Accept"];

    /// <summary>Whether each round of a loop waits, or the loop only ends when the program does; null if that is in doubt.</summary>
    public static bool? Is(SyntaxNode loop) => loop switch
    {
        CommonForEachStatementSyntax each when each.AwaitKeyword.IsKind(SyntaxKind.AwaitKeyword) => true,
        CommonForEachStatementSyntax { Expression: InvocationExpressionSyntax call } when NameOf(call) == "GetConsumingEnumerable" => true,
        CommonForEachStatementSyntax each => Waits(each.Statement) ? null : false,
        ForStatementSyntax { Condition: null } endless => OfEndless(endless.Statement),
        ForStatementSyntax counted => Waits(counted.Statement) ? null : false,
        WhileStatementSyntax repeated => OfCondition(repeated.Condition, repeated.Statement),
        DoStatementSyntax repeated => OfCondition(repeated.Condition, repeated.Statement),
        _ => false,
    };

    /// <summary>Whether a node is a loop.</summary>
    public static bool IsLoop(SyntaxNode node) =>
        node is CommonForEachStatementSyntax or ForStatementSyntax or WhileStatementSyntax or DoStatementSyntax;

    /// <summary>What a loop repeats.</summary>
    public static StatementSyntax BodyOf(SyntaxNode loop) => loop switch
    {
        CommonForEachStatementSyntax each => each.Statement,
        ForStatementSyntax counted => counted.Statement,
        WhileStatementSyntax repeated => repeated.Statement,
        _ => ((DoStatementSyntax)loop).Statement,
    };

    private static bool? OfCondition(ExpressionSyntax condition, StatementSyntax body) =>
        condition.DescendantNodesAndSelf().Any(node => node is AwaitExpressionSyntax)
            || condition.ToString().Contains("IsCancellationRequested")
            || Waits(condition) ? true
        : condition.IsKind(SyntaxKind.TrueLiteralExpression) ? OfEndless(body)
        : Waits(body) || body.DescendantNodes().Any(node => node is AwaitExpressionSyntax) ? null
        : false;

    /// <summary>One that is left from inside may as well read to the end of something, or try again.</summary>
    private static bool? OfEndless(StatementSyntax body) =>
        body.DescendantNodes().Any(node => node is BreakStatementSyntax or ReturnStatementSyntax or GotoStatementSyntax) ? null
        : true;

    private static bool Waits(SyntaxNode part) => part
        .DescendantNodesAndSelf(node => node is not (AnonymousFunctionExpressionSyntax or LocalFunctionStatementSyntax))
        .OfType<InvocationExpressionSyntax>()
        .Select(NameOf)
        .Any(name => name is not null
            && (WaitingMethods.Contains(name) || WaitingPrefixes.Any(prefix => name.StartsWith(prefix, StringComparison.Ordinal))));

    private static string? NameOf(InvocationExpressionSyntax call) => call.Expression switch
    {
        MemberAccessExpressionSyntax access => access.Name.Identifier.ValueText,
        SimpleNameSyntax name => name.Identifier.ValueText,
        _ => null,
    };
}
