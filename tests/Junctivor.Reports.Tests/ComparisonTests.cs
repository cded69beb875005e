using Junctivor.Reports.Comparing;
using Junctivor.Reports.Graphs;

namespace Junctivor.Reports.Tests;

public class ComparisonTests
{
    [Fact]
    public void A_wiring_means_what_it_means_wherever_it_stands()
    {
        SavedGraph elsewhere =
            SavedGraph.Of(
                "office",
                Office.Wiring) with
            {
                Registrations = [.. SavedGraph.Of("office", Office.Wiring).Registrations.Select(
                    registration => registration with { File = "Else.cs", Line = 1 })]
            };

        Assert.Empty(GraphComparison.Between(SavedGraph.Of("office", Office.Wiring), elsewhere));
    }

    [Fact]
    public void Something_else_for_a_service_is_replaced()
    {
        GraphChange change = Assert.Single(Compare([.. Office.Wiring, Singleton.Of<Office.IClock, Office.StoppedClock>().Replacing()]));

        Assert.Equal(
            (ChangeKind.Replaced, "Office.IClock", "Office.SystemClock (singleton)", "Office.StoppedClock (singleton)"),
            (change.Kind, change.Service, change.Before, change.After));
    }

    [Fact]
    public void What_is_new_is_reported_once_with_all_that_it_serves()
    {
        GraphChange change = Assert.Single(Compare([.. Office.Wiring, Singleton.Of<Foghorn>().Also<IHorn>()]));

        Assert.Equal((ChangeKind.Added, "ComparisonTests.Foghorn, ComparisonTests.IHorn"), (change.Kind, change.Service));
        Assert.Null(change.RegistrationBefore);
        Assert.Equal("ComparisonTests.cs", change.RegistrationAfter?.File);
    }

    [Fact]
    public void What_is_gone_is_removed()
    {
        GraphChange change =
            Assert.Single(
                GraphComparison.Between(
                    SavedGraph.Of("more", [.. Office.Wiring, Singleton.Of<Foghorn>()]), SavedGraph.Of("office", Office.Wiring)));

        Assert.Equal((ChangeKind.Removed, "ComparisonTests.Foghorn (singleton)", ""), (change.Kind, change.Before, change.After));
    }

    [Fact]
    public void A_longer_lifetime_of_the_same_class_is_one_change()
    {
        Wiring before = [Scoped.Of<Foghorn>().Also<IHorn>()];
        Wiring after = [Singleton.Of<Foghorn>().Also<IHorn>()];

        GraphChange change = Assert.Single(GraphComparison.Between(SavedGraph.Of("before", before), SavedGraph.Of("after", after)));

        Assert.Equal((ChangeKind.LifetimeChanged, "scoped", "singleton"), (change.Kind, change.Before, change.After));
    }

    [Fact]
    public void Other_parameters_are_changed_dependencies()
    {
        Wiring before = [Singleton.From((Office.IClock clock, Office.Roster roster) => new Foghorn())];
        Wiring after = [Singleton.From((Office.IClock clock, Office.Tariff tariff) => new Foghorn())];

        GraphChange change = Assert.Single(GraphComparison.Between(SavedGraph.Of("before", before), SavedGraph.Of("after", after)));

        Assert.Equal(
            (ChangeKind.DependenciesChanged, "Office.Roster roster", "Office.Tariff tariff"), (change.Kind, change.Before, change.After));
    }

    [Fact]
    public void Another_order_of_a_list_is_reported()
    {
        Wiring before = [Singleton.Of<Office.INoticeChannel, Office.Blackboard>(),
            Singleton.Of<Office.INoticeChannel, Office.Loudhailer>()];
        Wiring after = [.. before.Reverse()];

        GraphChange change = Assert.Single(GraphComparison.Between(SavedGraph.Of("before", before), SavedGraph.Of("after", after)));

        Assert.Equal(
            (ChangeKind.OrderChanged, "Office.Blackboard, Office.Loudhailer", "Office.Loudhailer, Office.Blackboard"),
            (change.Kind, change.Before, change.After));
    }

    [Fact]
    public void A_decorator_that_is_left_out_is_removed()
    {
        Wiring without = [.. Office.Wiring.Where(
            registration => !registration.ToString().StartsWith("decorator", StringComparison.Ordinal))];

        GraphChange change = Assert.Single(Compare(without));

        Assert.Equal(
            (ChangeKind.Removed, "decorators of Office.IBerthLedger", "Office.AuditedLedger"),
            (change.Kind, change.Service, change.Before));
    }

    private static IReadOnlyList<GraphChange> Compare(Wiring after) =>
        GraphComparison.Between(SavedGraph.Of("office", Office.Wiring), SavedGraph.Of("other", after));

    public interface IHorn;

    public sealed class Foghorn : IHorn;
}
