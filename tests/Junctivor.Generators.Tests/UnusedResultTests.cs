extern alias CodeFixes;

using System.Globalization;
using CodeFixes::Junctivor.CodeFixes;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CodeActions;

namespace Junctivor.Generators.Tests;

/// <summary>JV903: a registration that nothing uses.</summary>
public class UnusedResultTests
{
    private const string Classes = "public interface IClock; public sealed class Clock : IClock;";

    [Theory]
    [InlineData("var clock = Singleton.Of<IClock, Clock>(); clock.Marked(\"test\"); return [clock];",
        "Marked changes nothing here: it returns another registration. Fix: use what it returns: clock = clock.Marked(\"test\");")]
    [InlineData("var clock = Singleton.Of<IClock, Clock>(); clock.Marked(\"test\").FirstChoice(); return [clock];",
        "FirstChoice changes nothing here: it returns another registration. Fix: use what it returns")]
    [InlineData("Singleton.Of<IClock, Clock>(); return [];", "This registration is in no wiring. Fix: add it to one, or remove it")]
    public void It_is_reported(string statements, string message)
    {
        Diagnostic found = Assert.Single(Analyzed(statements), each => each.Id == "JV903");

        Assert.Equal(message, found.GetMessage(CultureInfo.InvariantCulture));
        Assert.Equal(DiagnosticSeverity.Warning, found.Severity);
    }

    [Theory]
    [InlineData("var clock = Singleton.Of<IClock, Clock>(); clock = clock.Marked(\"test\"); return [clock];")]
    [InlineData("Wiring wiring = []; wiring.Add(Singleton.Of<IClock, Clock>()); return wiring;")]
    [InlineData("_ = Singleton.Of<IClock, Clock>(); return [];")]
    [InlineData("Make(); return []; static Registration Make() => Singleton.Of<IClock, Clock>();")]
    public void What_is_used_or_discarded_on_purpose_is_not_reported(string statements) =>
        Assert.DoesNotContain(Analyzed(statements), each => each.Id == "JV903");

    [Fact]
    public async Task The_fix_assigns_what_the_option_returns()
    {
        string text = Text(
            "var clock = Singleton.Of<IClock, Clock>();\n        clock.Marked(\"test\"); // Not for production.\n        return [clock];");
        EditedProject project = EditedProject.Of("/Office.cs", text);
        Diagnostic found = Assert.Single(await project.AnalyzeAsync(), each => each.Id == "JV903");

        CodeAction action = Assert.Single(await project.FixesOfAsync(found, new UnusedResultFixProvider()));

        Assert.Equal(
            text.Replace("        clock.Marked", "        clock = clock.Marked", StringComparison.Ordinal),
            await (await project.WithAsync(action)).TextAsync());
    }

    private static IReadOnlyList<Diagnostic> Analyzed(string statements) => AnalyzedSource.OfText(Text(statements)).Analyze();

    private static string Text(string statements) => $$"""
        public static class Office
        {
            public static readonly Wiring More = [];

            public static Wiring Make()
            {
                {{statements}}
            }
        }

        {{Classes}}
        """;
}
