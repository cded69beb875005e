using Microsoft.CodeAnalysis.CodeActions;

namespace Junctivor.Generators.Tests;

/// <summary>What the editor offers beside the fixes of faults.</summary>
public class RefactoringTests
{
    private const string Office = """
        public static class Office
        {
            [CheckedWiring]
            public static Wiring Wiring =>
            [
                Singleton.Of<Muster>(),
                Transient.Of<Planner>(),
                Singleton.From((Muster muster) => new Ledger(muster)),
                Scoped.From<Muster, ILedger>(muster => new Ledger(muster)),
                Singleton.Value(new Depot()),
            ];
        }

        public interface ITides;
        public interface ILedger;
        public sealed class Almanac : ITides;
        public sealed class Muster;
        public sealed record Ledger(Muster Muster) : ILedger;
        public sealed record Planner(ITides Tides);
        public sealed class Depot : IDisposable { public void Dispose() { } }
        """;

    [Theory]
    [InlineData("class Almanac", "Singleton.Value(new Depot()),", "Singleton.Value(new Depot()),\n        Scoped.Of<ITides, Almanac>(),")]
    [InlineData("ITides Tides", "Singleton.Of<Muster>(),\n", null)]
    [InlineData("new Ledger(muster)),\n        Scoped", "Singleton.From((Muster muster) => new Ledger(muster))", "Singleton.Of<Ledger>()")]
    [InlineData("new Ledger(muster)),\n        Singleton", "Scoped.From<Muster, ILedger>(muster => new Ledger(muster))", "Scoped.Of<ILedger, Ledger>()")]
    [InlineData("new Depot()", "Singleton.Value(new Depot())", "Singleton.Of<Depot>().LeaveUndisposed()")]
    public async Task The_first_that_is_offered_is_made(string at, string before, string? after)
    {
        EditedProject project = EditedProject.Of("/Office.cs", Office);

        EditedProject changed = await project.WithAsync(First((await project.RefactoringsAtAsync(PlaceOf(at)))[0]));

        string text = await changed.TextAsync();
        if (after is not null)
        {
            Assert.Equal(Office.Replace(before, after, StringComparison.Ordinal), text);
        }
        else
        {
            Assert.Contains("Of<ITides, Almanac>()", text, StringComparison.Ordinal);
            Assert.Empty(await changed.AnalyzeAsync());
        }
    }

    [Theory]
    [InlineData("class Muster")]
    [InlineData("Muster Muster")]
    [InlineData("interface ITides")]
    public async Task Nothing_is_offered_where_nothing_is_missing(string at) =>
        Assert.Empty(await EditedProject.Of("/Office.cs", Office).RefactoringsAtAsync(PlaceOf(at)));

    private static CodeAction First(CodeAction action) => action.NestedActions.IsEmpty ? action : First(action.NestedActions[0]);

    /// <summary>The last word of a text before its bracket, or the first behind <c>class</c>.</summary>
    private static int PlaceOf(string at)
    {
        int start = Office.IndexOf(at, StringComparison.Ordinal);
        Assert.True(start >= 0);
        return at.StartsWith("new ", StringComparison.Ordinal) ? start : start + at.IndexOf(' ', StringComparison.Ordinal) + 1;
    }
}
