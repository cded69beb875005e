using Junctivor.Checks;

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

        Assert.Empty(report.Errors);
        Assert.Equal(
            "Quay is registered, but unused: nothing that is resolved directly depends on it", Assert.Single(report.Warnings).Summary);
    }

    [Fact]
    public void What_is_missing_is_told_with_all_who_require_it_and_can_be_fixed()
    {
        EntryPoint page = Taking(new RequestedService(typeof(ITide), "tide"), new RequestedService(typeof(int), "depth") { Mark = "nort" });
        EntryPoint other = new("POST /tides")
        {
            Services = [new RequestedService(typeof(ITide), "tide")],
            File = "/harbour/Tides.cs",
            Line = 12,
        };
        using Container container = Wiring.Build();

        IReadOnlyList<Fault> faults = container.Check([page, other]).Errors;

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
    public void A_container_tells_what_a_faulty_wiring_provides_while_entry_points_are_read()
    {
        Wiring faulty = [.. Wiring, Singleton.Of<Captor>(), Singleton.Incoming<Uri>(), Scoped.Of<Chart>(), Transient.Of<Keeper>()];

        CheckReport report = faulty.Check(new BuildOptions(), container =>
        {
            Assert.True(container.Knows<Captor>());
            Assert.False(container.Knows<ITide>());
            Assert.IsType<Crane>(container.Resolve<Crane>());
            Assert.Equal("JV301", Assert.Throws<ResolveException>(() => container.Resolve<Captor>()).Report.Errors[0].Code);
            Assert.Equal("JV105", Assert.Throws<ResolveException>(() => container.Resolve<Keeper>()).Report.Errors[0].Code);
            return [Taking(new RequestedService(typeof(ITide), "tide"))];
        });

        Assert.Equal(["JV101", "JV301"], report.Errors.Select(fault => fault.Code));
    }

    [Fact]
    public void What_is_created_while_they_are_read_is_disposed_and_what_the_wiring_owns_is_not()
    {
        Flag given = new();
        Flag? created = null;
        Wiring flags = [Singleton.Value(given).DisposeAtEnd().Marked("given"), Singleton.Of<Flag>()];

        flags.Check(new BuildOptions(), container =>
        {
            created = container.Resolve<Flag>();
            container.Resolve<Flag>("given");
            return [];
        });

        Assert.Equal((true, false), (created!.IsLowered, given.IsLowered));
    }

    [Fact]
    public void What_a_framework_cannot_serve_is_a_fault_with_its_place_and_cures()
    {
        EntryPoint page = new("POST /berths")
        {
            Problems = [new EntryPointProblem("POST /berths reads Ledger from the body") { Fixes = ["map it elsewhere", "write it"] }],
            File = "/harbour/Berths.cs",
            Line = 7,
        };

        Fault fault = Assert.Single(Wiring.Check(new BuildOptions(), [page]).Errors);

        Assert.Equal((FaultKind.NotServed, "POST /berths reads Ledger from the body"), (fault.Kind, fault.Summary));
        Assert.Equal(["map it elsewhere", "write it"], fault.Fixes.Select(fix => fix.Advice));
        Assert.Equal(("POST /berths", 7), (Assert.Single(fault.Path).Name, fault.Path[0].Line));
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
        Assert.False(Wiring.Check(new BuildOptions { WarningsAreErrors = true }, []).IsSound);
    }

    private static EntryPoint Taking(params RequestedService[] services) => new("GET /berths") { Services = services };

    private interface ITide;

    private sealed class Quay;

    private sealed class Ledger;

    private sealed record Mooring(Quay Quay);

    private sealed class Crane : ITide;

    private sealed class Buoy;

    private sealed class Chart;

    private sealed record Captor(Chart Chart);

    private sealed record Keeper(Uri Home);

    private sealed class Flag : IDisposable
    {
        public bool IsLowered { get; private set; }

        public void Dispose() => IsLowered = true;
    }
}
