using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;
using static Microsoft.CodeAnalysis.CSharp.SyntaxFactory;

namespace Junctivor.Mutation;

/// <summary>Finds every place of a file where one of the usual mistakes can be written, whether it compiles or not.</summary>
internal sealed class MutantFinder(string file) : CSharpSyntaxWalker
{
    private static readonly Dictionary<SyntaxKind, SyntaxKind> Operators = new()
    {
        [SyntaxKind.LessThanExpression] = SyntaxKind.LessThanOrEqualExpression,
        [SyntaxKind.LessThanOrEqualExpression] = SyntaxKind.LessThanExpression,
        [SyntaxKind.GreaterThanExpression] = SyntaxKind.GreaterThanOrEqualExpression,
        [SyntaxKind.GreaterThanOrEqualExpression] = SyntaxKind.GreaterThanExpression,
        [SyntaxKind.EqualsExpression] = SyntaxKind.NotEqualsExpression,
        [SyntaxKind.NotEqualsExpression] = SyntaxKind.EqualsExpression,
        [SyntaxKind.LogicalAndExpression] = SyntaxKind.LogicalOrExpression,
        [SyntaxKind.LogicalOrExpression] = SyntaxKind.LogicalAndExpression,
        [SyntaxKind.AddExpression] = SyntaxKind.SubtractExpression,
        [SyntaxKind.SubtractExpression] = SyntaxKind.AddExpression,
        [SyntaxKind.MultiplyExpression] = SyntaxKind.DivideExpression,
        [SyntaxKind.DivideExpression] = SyntaxKind.MultiplyExpression,
        [SyntaxKind.BitwiseAndExpression] = SyntaxKind.BitwiseOrExpression,
        [SyntaxKind.BitwiseOrExpression] = SyntaxKind.BitwiseAndExpression,
        [SyntaxKind.LeftShiftExpression] = SyntaxKind.RightShiftExpression,
        [SyntaxKind.RightShiftExpression] = SyntaxKind.LeftShiftExpression,
    };

    private static readonly Dictionary<string, string> Methods = new(StringComparer.Ordinal)
    {
        ["Any"] = "All",
        ["All"] = "Any",
        ["First"] = "Last",
        ["FirstOrDefault"] = "LastOrDefault",
        ["Last"] = "First",
        ["LastOrDefault"] = "FirstOrDefault",
        ["Skip"] = "Take",
        ["Take"] = "Skip",
        ["Min"] = "Max",
        ["Max"] = "Min",
        ["OrderBy"] = "OrderByDescending",
        ["Concat"] = "Except",
        ["Append"] = "Prepend",
        ["Prepend"] = "Append",
        ["Push"] = "TryPeek",
        ["TryAdd"] = "ContainsKey",
    };

    private readonly List<Mutant> _found = [];

    /// <summary>Everything that can be written into this file, in the order of its places.</summary>
    public static IReadOnlyList<Mutant> Find(string file, SyntaxTree tree)
    {
        MutantFinder finder = new(file);
        finder.Visit(tree.GetRoot());
        return finder._found;
    }

    /// <summary>An attribute is read by the compiler.</summary>
    public override void VisitAttributeList(AttributeListSyntax node)
    {
    }

    /// <summary>A constant is a size that was chosen: one more or less is no mistake.</summary>
    public override void VisitFieldDeclaration(FieldDeclarationSyntax node)
    {
        if (!node.Modifiers.Any(SyntaxKind.ConstKeyword))
        {
            base.VisitFieldDeclaration(node);
        }
    }

    public override void VisitInvocationExpression(InvocationExpressionSyntax node)
    {
        if (node.Expression.ToString().StartsWith("Debug.", StringComparison.Ordinal))
        {
            return;
        }

        if (node.Expression is MemberAccessExpressionSyntax { Name: IdentifierNameSyntax name } access)
        {
            if (Methods.TryGetValue(name.Identifier.Text, out string? other))
            {
                Add(node, node.WithExpression(access.WithName(IdentifierName(other))));
            }

            if (name.Identifier.Text == "Where")
            {
                Add(node, access.Expression);
            }
        }

        base.VisitInvocationExpression(node);
    }

    public override void VisitBinaryExpression(BinaryExpressionSyntax node)
    {
        if (Operators.TryGetValue(node.Kind(), out SyntaxKind other))
        {
            Add(node, Parse($"{node.Left} {Facts(other)} {node.Right}"));
        }
        else if (node.IsKind(SyntaxKind.CoalesceExpression))
        {
            Add(node, node.Right);
        }

        base.VisitBinaryExpression(node);
    }

    public override void VisitPrefixUnaryExpression(PrefixUnaryExpressionSyntax node)
    {
        if (node.IsKind(SyntaxKind.LogicalNotExpression))
        {
            Add(node, node.Operand);
        }
        else if (node.IsKind(SyntaxKind.BitwiseNotExpression))
        {
            Add(node, node.Operand);
        }
        else if (node.Kind() is SyntaxKind.PreIncrementExpression or SyntaxKind.PreDecrementExpression)
        {
            Add(node, Parse((node.IsKind(SyntaxKind.PreIncrementExpression) ? "--" : "++") + node.Operand));
        }

        base.VisitPrefixUnaryExpression(node);
    }

    public override void VisitLiteralExpression(LiteralExpressionSyntax node)
    {
        switch (node.Kind())
        {
            case SyntaxKind.TrueLiteralExpression:
                Add(node, LiteralExpression(SyntaxKind.FalseLiteralExpression));
                break;
            case SyntaxKind.FalseLiteralExpression:
                Add(node, LiteralExpression(SyntaxKind.TrueLiteralExpression));
                break;
            case SyntaxKind.NumericLiteralExpression when node.Token.Value is int number and <= 2:
                Add(node, Parse(number == 1 ? "0" : $"{number + 1}"));
                break;
        }
    }

    public override void VisitAssignmentExpression(AssignmentExpressionSyntax node)
    {
        string? other = node.OperatorToken.Text switch
        {
            "+=" => "-=",
            "-=" => "+=",
            "|=" => "&=",
            "&=" => "|=",
            _ => null,
        };
        if (other is not null)
        {
            Add(node, Parse($"{node.Left} {other} {node.Right}"));
        }

        base.VisitAssignmentExpression(node);
    }

    public override void VisitIfStatement(IfStatementSyntax node)
    {
        Negate(node.Condition);
        base.VisitIfStatement(node);
    }

    public override void VisitWhileStatement(WhileStatementSyntax node)
    {
        Negate(node.Condition);
        base.VisitWhileStatement(node);
    }

    public override void VisitConditionalExpression(ConditionalExpressionSyntax node)
    {
        Negate(node.Condition);
        base.VisitConditionalExpression(node);
    }

    public override void VisitExpressionStatement(ExpressionStatementSyntax node)
    {
        if (!node.ToString().StartsWith("Debug.", StringComparison.Ordinal))
        {
            Add(node, Block());
        }

        base.VisitExpressionStatement(node);
    }

    public override void VisitYieldStatement(YieldStatementSyntax node)
    {
        Add(node, node.IsKind(SyntaxKind.YieldBreakStatement) ? Block() : YieldStatement(SyntaxKind.YieldBreakStatement));
        base.VisitYieldStatement(node);
    }

    public override void VisitBreakStatement(BreakStatementSyntax node)
    {
        if (node.Parent is not SwitchSectionSyntax)
        {
            Add(node, ContinueStatement());
        }
    }

    public override void VisitContinueStatement(ContinueStatementSyntax node) => Add(node, BreakStatement());

    public override void VisitThrowStatement(ThrowStatementSyntax node)
    {
        Add(node, Block());
        base.VisitThrowStatement(node);
    }

    public override void VisitReturnStatement(ReturnStatementSyntax node)
    {
        Default(node.Expression);
        base.VisitReturnStatement(node);
    }

    public override void VisitArrowExpressionClause(ArrowExpressionClauseSyntax node)
    {
        Default(node.Expression);
        base.VisitArrowExpressionClause(node);
    }

    /// <summary>Nothing comes back.</summary>
    private void Default(ExpressionSyntax? value)
    {
        if (value is not null and not LiteralExpressionSyntax and not ThrowExpressionSyntax and not RefExpressionSyntax)
        {
            Add(value, Parse("default!"));
        }
    }

    private void Negate(ExpressionSyntax condition) => Add(condition, Parse($"!({condition})"));

    private static ExpressionSyntax Parse(string text) => ParseExpression(text);

    private static string Facts(SyntaxKind binary) => binary switch
    {
        SyntaxKind.LessThanExpression => "<",
        SyntaxKind.LessThanOrEqualExpression => "<=",
        SyntaxKind.GreaterThanExpression => ">",
        SyntaxKind.GreaterThanOrEqualExpression => ">=",
        SyntaxKind.EqualsExpression => "==",
        SyntaxKind.NotEqualsExpression => "!=",
        SyntaxKind.LogicalAndExpression => "&&",
        SyntaxKind.LogicalOrExpression => "||",
        SyntaxKind.AddExpression => "+",
        SyntaxKind.SubtractExpression => "-",
        SyntaxKind.MultiplyExpression => "*",
        SyntaxKind.DivideExpression => "/",
        SyntaxKind.BitwiseAndExpression => "&",
        SyntaxKind.BitwiseOrExpression => "|",
        SyntaxKind.LeftShiftExpression => "<<",
        _ => ">>",
    };

    private void Add(SyntaxNode original, SyntaxNode replacement) => _found.Add(new Mutant(file, original, replacement));
}
