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

        Assert.Equal(
            ["Add to the registration of AlmanacTideTable at Office.cs:6: .Also<ITideTable>()"], offered.Select(action => action.Title));
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
