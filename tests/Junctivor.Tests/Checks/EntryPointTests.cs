namespace Junctivor.Tests.Checks;

/// <summary>What requests services from outside a wiring is checked with it.</summary>
public class EntryPointTests
{
    private static readonly Wiring Wiring =
    [
        Singleton.Of<Quay>(),
        Scoped.Of<Ledger>(),
        Singleton.Value(7).Marked("north"),
        Transient.Of<Crane>(),
        Transient.Of<Buoy>().ResolvedDirectly(),
    ];

    [Fact]
    public void What_is_there_is_no_fault_and_what_is_used_is_no_warning()
    {
        EntryPoint page = Taking(
            new RequestedService(typeof(Ledger), "ledger"), new RequestedService(typeof(int), "depth") { Mark = "north" },
            new RequestedService(typeof(Uri), "map") { IsOptional = true }, new RequestedService(typeof(IReadOnlyList<Crane>), "cranes"));

        CheckReport report = Wiring.Check(new BuildOptions(), [page]);

        Assert.Empty(report.Faults);
        Assert.Equal(
            "Quay is registered, but unused: nothing that is resolved directly depends on it", Assert.Single(report.Warnings).Summary);
    }

    [Fact]
    public void What_is_missing_is_told_with_all_who_require_it_and_can_be_mended()
    {
        EntryPoint page = Taking(new RequestedService(typeof(ITide), "tide"), new RequestedService(typeof(int), "depth") { Mark = "nort" });
        EntryPoint other = new("POST /tides")
        {
            Services = [new RequestedService(typeof(ITide), "tide")],
            File = "/harbour/Tides.cs",
            Line = 12,
        };
        using Container container = Wiring.Build();

        IReadOnlyList<Fault> faults = container.Check([page, other]).Faults;

        Assert.Equal(
            ["ITide is required in 2 places, but is not registered", "GET /berths requires int marked \"nort\", which is not registered"],
            faults.Select(fault => fault.Summary));
        Assert.Equal(
            ["GET /berths", "ITide", "POST /tides", "ITide"], faults[0].Path.Select(step => step.Name));
        Assert.Equal(("Tides.cs", 12), (Path.GetFileName(faults[0].Path[2].File), faults[0].Path[2].Line));
        Assert.Contains(".Also<ITide>()", faults[0].Fixes[0].Code, StringComparison.Ordinal);
        Assert.Contains("\"north\"", string.Concat(faults[1].Remarks), StringComparison.Ordinal);
    }

    [Fact]
    public void Without_entry_points_nothing_changes()
    {
        using Container container = Wiring.Build();

        Assert.Equal(container.Report.All.Select(fault => fault.Summary), container.Check([]).All.Select(fault => fault.Summary));
    }

    [Fact]
    public void Entry_points_alone_do_not_ask_for_unused_registrations()
    {
        Wiring unnamed = [Singleton.Of<Quay>(), Scoped.Of<Ledger>()];

        Assert.Empty(unnamed.Check(new BuildOptions(), [Taking(new RequestedService(typeof(Ledger), "ledger"))]).All);
    }

    [Fact]
    public void Severities_apply_and_a_branch_keeps_what_its_build_told()
    {
        Wiring held = [Singleton.Of<Quay>(), Singleton.Of<Mooring>()];
        using Container container = held.Build();
        using Container branch = container.Branch([Singleton.Of<Quay>().Replacing()]);

        Assert.Equal(["JV503"], branch.Report.Warnings.Select(fault => fault.Code));
        Assert.Equal(["JV503"], branch.Check([Taking(new RequestedService(typeof(Quay), "quay"))]).Warnings.Select(fault => fault.Code));
        Assert.False(Wiring.Check(new BuildOptions { WarningsAreFaults = true }, []).IsSound);
    }

    private static EntryPoint Taking(params RequestedService[] services) => new("GET /berths") { Services = services };

    private interface ITide;

    private sealed class Quay;

    private sealed class Ledger;

    private sealed record Mooring(Quay Quay);

    private sealed class Crane : ITide;

    private sealed class Buoy;
}
