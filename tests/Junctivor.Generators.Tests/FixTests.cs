using Junctivor.Tests.Shared;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CodeActions;

namespace Junctivor.Generators.Tests;

/// <summary>Which fixes the editor offers. That they are made right, <see cref="EditorTests"/> tells.</summary>
public class FixTests
{
    [Fact]
    public async Task Each_fix_that_carries_edits_is_offered_in_the_order_of_the_report()
    {
        EditedProject project = EditedProject.Of("/Office.cs", Office);

        IReadOnlyList<CodeAction> offered = await project.FixesOfAsync((await project.AnalyzeAsync())[0]);

        Assert.Equal(["Add .Also<ITideTable>() to AlmanacTideTable"], offered.Select(action => action.Title));
    }

    /// <summary>What each faulty sample offers: short, and no two alike.</summary>
    [Fact]
    public async Task Titles_are_short_and_tell_fixes_apart()
    {
        List<string> wrong = [];
        int offered = 0;
        foreach (string file in Directory.GetFiles(Path.Combine(ProgramRun.RepositoryRoot, "examples", "Mistakes", "Samples"), "*.cs"))
        {
            EditedProject project = EditedProject.Of(file, await File.ReadAllTextAsync(file, TestContext.Current.CancellationToken));
            foreach (Diagnostic diagnostic in await project.AnalyzeAsync())
            {
                IReadOnlyList<string> titles = [.. (await project.FixesOfAsync(diagnostic)).Select(action => action.Title)];
                offered += titles.Count;
                wrong.AddRange(titles.Where(title => title.Length >= 70 || title.Contains('\n', StringComparison.Ordinal)));
                wrong.AddRange(titles.GroupBy(title => title).Where(same => same.Count() > 1).Select(same => $"{file} twice: {same.Key}"));
            }
        }

        Assert.Empty(wrong);
        Assert.InRange(offered, 20, 1000);
    }

    [Fact]
    public async Task Each_of_two_registrations_can_be_kept_or_made_the_default()
    {
        EditedProject project = EditedProject.Of("/Ledgers.cs", Ledgers);
        Diagnostic ambiguous = Assert.Single(await project.AnalyzeAsync());

        IReadOnlyList<CodeAction> offered = await project.FixesOfAsync(ambiguous);

        Assert.Equal(
            [
                "Make PaperLedger (line 5) the default",
                "Make CardLedger (line 6) the default",
                "Keep PaperLedger (line 5), remove the other one",
                "Keep CardLedger (line 6), remove the other one",
            ],
            offered.Select(action => action.Title).Where(title => !title.Contains("Marked", StringComparison.Ordinal)));
        foreach (CodeAction choice in offered.Where(action => action.Title.StartsWith("Keep", StringComparison.Ordinal)
            || action.Title.StartsWith("Make", StringComparison.Ordinal)))
        {
            Assert.Null(choice.EquivalenceKey);
            Assert.DoesNotContain(
                await (await project.WithAsync(choice)).AnalyzeAsync(), each => each.Severity == DiagnosticSeverity.Error);
        }
    }

    [Fact]
    public async Task The_preview_has_the_advice()
    {
        EditedProject project = EditedProject.Of("/Office.cs", Office);
        CodeAction offered = (await project.FixesOfAsync((await project.AnalyzeAsync())[0]))[0];

        IEnumerable<CodeActionOperation> preview = await offered.GetPreviewOperationsAsync(TestContext.Current.CancellationToken);

        Assert.Contains(
            preview, operation => operation.Title == "Add to the registration of AlmanacTideTable at Office.cs:6: .Also<ITideTable>()");
    }

    [Fact]
    public async Task All_fixes_of_one_kind_are_made_at_once()
    {
        EditedProject project = EditedProject.Of("/Office.cs", Office);
        IReadOnlyList<Diagnostic> before = await project.AnalyzeAsync();

        EditedProject after = await project.WithAllLikeAsync((await project.FixesOfAsync(before[0]))[0]);

        Assert.Equal(["JV101", "JV101", "JV301"], before.Select(each => each.Id));
        Assert.Equal(["JV301"], (await after.AnalyzeAsync()).Select(each => each.Id));
        Assert.Equal(
            Office.Replace("<AlmanacTideTable>()", "<AlmanacTideTable>().Also<ITideTable>()", StringComparison.Ordinal)
                .Replace("<PaperChart>()", "<PaperChart>().Also<IChart>()", StringComparison.Ordinal),
            await after.TextAsync());
    }

    private const string Ledgers = """
        public static class Office
        {
            [CheckedWiring] public static Wiring Wiring =>
            [
                Singleton.Of<ILedger, PaperLedger>(),
                Singleton.Of<ILedger, CardLedger>(),
                Singleton.Of<Desk>(),
            ];
        }

        public interface ILedger;
        public sealed class PaperLedger : ILedger;
        public sealed class CardLedger : ILedger;
        public sealed class Desk(ILedger ledger) { public object Ledger => ledger; }
        """;

    private const string Office = """
        public static class Office
        {
            [CheckedWiring]
            public static Wiring Wiring =>
            [
                Singleton.Of<AlmanacTideTable>(),
                Singleton.Of<PaperChart>(),
                Transient.Of<BerthPlanner>(),
                Transient.Of<Pilot>(),
                Scoped.Of<Desk>(),
                Singleton.Of<NightlyInvoicing>(),
            ];
        }

        public interface ITideTable;
        public interface IChart;
        public sealed class AlmanacTideTable : ITideTable;
        public sealed class PaperChart : IChart;
        public sealed record BerthPlanner(ITideTable Tides);
        public sealed record Pilot(IChart Chart);
        public sealed class Desk { public void Close() { } }
        public sealed class NightlyInvoicing(Desk desk) { public void Run() => desk.Close(); }
        """;
}
