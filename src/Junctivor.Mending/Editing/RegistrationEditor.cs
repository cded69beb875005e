using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;
using Microsoft.CodeAnalysis.Text;

namespace Junctivor.Mending.Editing;

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
            SourceEditKind.AddRegistration => [Add(registration, edit.Text)],
            SourceEditKind.RemoveRegistration => [Remove(registration)],
            SourceEditKind.MoveRegistration =>
            [
                Add(RegistrationSyntax.At(compilation, edit.TargetFile, edit.TargetLine, null), registration.Whole.ToString()),
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
            .Where(option => RegistrationSyntax.NameOf(option).Identifier.ValueText == "Passing")
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
    private static SourceChange Add(RegistrationSyntax behind, string text)
    {
        string newLine = Lines.BreakOf(behind.Tree);
        int start = behind.Whole.SpanStart;
        bool isOnOwnLine = Lines.IsFirst(behind.Tree, start);
        string[] registrations = text.Split(",\n");
        if (behind.Whole.Parent is ExpressionElementSyntax or InitializerExpressionSyntax)
        {
            string between = isOnOwnLine ? $",{newLine}{Lines.IndentAt(behind.Tree, start)}" : ", ";
            return SourceChange.Insert(
                behind.Tree, behind.Whole.Span.End, string.Concat(registrations.Select(registration => between + registration)));
        }

        if (behind.Whole.Parent is ArgumentSyntax
            {
                Parent.Parent: InvocationExpressionSyntax
                {
                    Expression: MemberAccessExpressionSyntax { Name.Identifier.ValueText: "Add" } add,
                    Parent: ExpressionStatementSyntax call,
                },
            })
        {
            string indent = newLine + Lines.IndentAt(behind.Tree, call.SpanStart);
            return SourceChange.Insert(
                behind.Tree, call.Span.End, string.Concat(registrations.Select(registration => $"{indent}{add}({registration});")));
        }

        throw new CannotEditException("the registration beside which it belongs is no element of a collection");
    }

    private static SourceChange Remove(RegistrationSyntax registration)
    {
        SyntaxNode element = registration.Whole.Parent is ExpressionElementSyntax or InitializerExpressionSyntax
            ? registration.Whole.Parent is ExpressionElementSyntax one ? one : registration.Whole
            : registration.Whole.FirstAncestorOrSelf<ExpressionStatementSyntax>()
                ?? throw new CannotEditException("the registration is no element of a collection");
        SyntaxToken next = element.GetLastToken().GetNextToken();
        TextSpan span = TextSpan.FromBounds(element.SpanStart, next.IsKind(SyntaxKind.CommaToken) ? next.Span.End : element.Span.End);
        if (Lines.IsFirst(registration.Tree, span.Start) && Lines.IsLast(registration.Tree, span.End))
        {
            return SourceChange.Remove(registration.Tree, Lines.Whole(registration.Tree, span));
        }

        SyntaxToken previous = element.GetFirstToken().GetPreviousToken();
        return next.IsKind(SyntaxKind.CommaToken)
            ? SourceChange.Remove(registration.Tree, TextSpan.FromBounds(span.Start, next.GetNextToken().SpanStart))
            : SourceChange.Remove(
                registration.Tree, previous.IsKind(SyntaxKind.CommaToken) ? TextSpan.FromBounds(previous.SpanStart, span.End) : span);
    }
}
