using Junctivor.Checks;
using Junctivor.Graph;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;
using Microsoft.CodeAnalysis.Text;

namespace Junctivor.Fixing.Editing;

/// <summary>Changes, adds, moves and removes registrations.</summary>
internal static class RegistrationEditor
{
    /// <exception cref="CannotEditException">The edit cannot be made.</exception>
    public static IEnumerable<SourceChange> ChangesOf(CSharpCompilation compilation, SourceEdit edit)
    {
        RegistrationSyntax registration = RegistrationSyntax.At(compilation, edit.File, edit.Line, edit.Type);
        return edit.Kind switch
        {
            SourceEditKind.AppendOption => [Append(registration, edit.Text)],
            SourceEditKind.RemoveOption => RemoveOption(registration, edit.Text, edit.Parameter),
            SourceEditKind.RenamePassed => [RenamePassed(compilation, registration, edit.Parameter!, edit.Text)],
            SourceEditKind.ReplaceStart => [SourceChange.Replace(registration.Start, edit.Text)],
            SourceEditKind.ReplaceLifetime => [SourceChange.Replace(registration.Method.Expression, edit.Text)],
            SourceEditKind.ReplaceMethod => [SourceChange.Replace(registration.Method.Name, edit.Text)],
            SourceEditKind.AddRegistration => Add(registration, edit.Text),
            SourceEditKind.RemoveRegistration => [Remove(registration)],
            SourceEditKind.MoveRegistration =>
            [
                .. Add(RegistrationSyntax.At(compilation, edit.TargetFile, edit.TargetLine, null), registration.Whole.ToString()),
                Remove(registration),
            ],
            _ => throw new CannotEditException($"{edit.Kind} is no change of a registration"),
        };
    }

    /// <summary>Behind the last option: on its own line, if that is.</summary>
    private static SourceChange Append(RegistrationSyntax registration, string option)
    {
        string before = "";
        if (registration.Options.Count > 0)
        {
            SyntaxToken dot = ((MemberAccessExpressionSyntax)registration.Options[^1].Expression).OperatorToken;
            if (Lines.IsFirst(registration.Tree, dot.SpanStart))
            {
                before = Lines.BreakOf(registration.Tree) + Lines.IndentAt(registration.Tree, dot.SpanStart);
            }
        }

        return SourceChange.Insert(registration.Tree, registration.Whole.Span.End, before + option);
    }

    private static List<SourceChange> RemoveOption(RegistrationSyntax registration, string name, string? naming)
    {
        List<SourceChange> changes = [.. registration.Options
            .Where(option => RegistrationSyntax.NameOf(option).Identifier.ValueText == name && (naming is null || Mentions(option, naming)))
            .Select(option => SourceChange.Remove(
                registration.Tree,
                TextSpan.FromBounds(((MemberAccessExpressionSyntax)option.Expression).Expression.Span.End, option.Span.End)))];
        return changes.Count > 0 ? changes : throw new CannotEditException($".{name} does not stand behind the registration itself");
    }

    private static bool Mentions(InvocationExpressionSyntax option, string naming) =>
        RegistrationSyntax.NameOf(option).DescendantTokens()
            .Concat(option.ArgumentList.DescendantTokens())
            .Any(token => token.ValueText == naming);

    private static SourceChange RenamePassed(CSharpCompilation compilation, RegistrationSyntax registration, string passed, string name)
    {
        SemanticModel model = compilation.GetSemanticModel(registration.Tree);
        ArgumentSyntax? argument = registration.Options
            .Where(option => RegistrationSyntax.NameOf(option).Identifier.ValueText == OptionNames.Passing)
            .Select(option => option.ArgumentList.Arguments.FirstOrDefault())
            .FirstOrDefault(argument =>
                argument is not null
                    && model.GetConstantValue(argument.Expression) is { HasValue: true, Value: string text }
                    && text == passed);
        return argument is null
            ? throw new CannotEditException($"'{passed}' does not stand in a call of Passing behind the registration itself")
            : SourceChange.Replace(argument.Expression, $"\"{name}\"");
    }

    /// <summary>Behind another one, as an element of the same collection or by the same call.</summary>
    private static List<SourceChange> Add(RegistrationSyntax behind, string text)
    {
        string[] registrations = text.Split(",\n");
        if (behind.Whole.Parent is ExpressionElementSyntax or InitializerExpressionSyntax)
        {
            return AddElements(behind, registrations);
        }

        if (behind.Whole.Parent is ArgumentSyntax
            {
                Parent.Parent: InvocationExpressionSyntax
                {
                    Expression: MemberAccessExpressionSyntax { Name.Identifier.ValueText: "Add" } add,
                    Parent: ExpressionStatementSyntax call,
                },
            }
            && call.Parent is BlockSyntax or GlobalStatementSyntax)
        {
            string indent = Lines.BreakOf(behind.Tree) + Lines.IndentAt(behind.Tree, call.SpanStart);
            int end = Lines.HasOnlyCommentBehind(call.GetLastToken()) ? Lines.EndOf(behind.Tree, call.Span.End) : call.Span.End;
            return
            [
                SourceChange.Insert(
                    behind.Tree, end, string.Concat(registrations.Select(registration => $"{indent}{add}({registration});"))),
            ];
        }

        throw new CannotEditException("the registration beside which it belongs is no element of a collection");
    }

    /// <summary>On lines of their own, if the other one has a line of its own: then a comment at the end of that line stays with
    /// it.</summary>
    private static List<SourceChange> AddElements(RegistrationSyntax behind, IReadOnlyList<string> registrations)
    {
        SyntaxTree tree = behind.Tree;
        int start = behind.Whole.SpanStart;
        SyntaxToken last = behind.Whole.GetLastToken();
        SyntaxToken next = last.GetNextToken();
        if (!Lines.IsFirst(tree, start))
        {
            return [SourceChange.Insert(tree, last.Span.End, string.Concat(registrations.Select(registration => $", {registration}")))];
        }

        string indent = Lines.BreakOf(tree) + Lines.IndentAt(tree, start);
        bool hasComma = next.IsKind(SyntaxKind.CommaToken);
        SyntaxToken end = hasComma ? next : last;
        if (hasComma && Lines.HasOnlyCommentBehind(end))
        {
            return
            [
                SourceChange.Insert(
                    tree, Lines.EndOf(tree, end.Span.End), string.Concat(registrations.Select(registration => $"{indent}{registration},"))),
            ];
        }

        string added = string.Concat(registrations.Select(registration => $",{indent}{registration}"));
        return hasComma || !Lines.HasOnlyCommentBehind(end)
            ? [SourceChange.Insert(tree, last.Span.End, added)]
            :
            [
                SourceChange.Insert(tree, last.Span.End, ","),
                SourceChange.Insert(tree, Lines.EndOf(tree, last.Span.End), added[1..]),
            ];
    }

    /// <summary>The registration with its comma: the whole line, if nothing else is on it. Comments and directives stay.</summary>
    private static SourceChange Remove(RegistrationSyntax registration)
    {
        SyntaxTree tree = registration.Tree;
        SyntaxNode element = ElementOf(registration);
        SyntaxToken next = element.GetLastToken().GetNextToken();
        bool hasComma = next.IsKind(SyntaxKind.CommaToken) && Lines.IsBlankBetween(tree, element.Span.End, next.SpanStart);
        TextSpan span = TextSpan.FromBounds(element.SpanStart, hasComma ? next.Span.End : element.Span.End);
        if (Lines.IsFirst(tree, span.Start) && Lines.IsLast(tree, span.End))
        {
            return SourceChange.Remove(tree, Lines.Whole(tree, span));
        }

        SyntaxToken previous = element.GetFirstToken().GetPreviousToken();
        return hasComma && next.TrailingTrivia is [{ RawKind: (int)SyntaxKind.WhitespaceTrivia } blank, ..]
            && (Lines.IsFirst(tree, span.Start) || next.GetNextToken().SpanStart == blank.Span.End)
                ? SourceChange.Remove(tree, TextSpan.FromBounds(span.Start, blank.Span.End))
            : !hasComma && previous.IsKind(SyntaxKind.CommaToken) && Lines.IsBlankBetween(tree, previous.Span.End, element.SpanStart)
                ? SourceChange.Remove(tree, TextSpan.FromBounds(previous.SpanStart, span.End))
            : SourceChange.Remove(tree, span);
    }

    private static SyntaxNode ElementOf(RegistrationSyntax registration) => registration.Whole.Parent switch
    {
        ExpressionElementSyntax element => element,
        InitializerExpressionSyntax => registration.Whole,
        _ => registration.Whole.FirstAncestorOrSelf<ExpressionStatementSyntax>() is
        {
            Expression: InvocationExpressionSyntax
            {
                Expression: MemberAccessExpressionSyntax { Name.Identifier.ValueText: "Add" },
                ArgumentList.Arguments: [{ Expression: var added }],
            },
            Parent: BlockSyntax or GlobalStatementSyntax,
        }
        statement && added == registration.Whole
            ? statement
            : throw new CannotEditException("the registration is no element of a collection"),
    };
}
