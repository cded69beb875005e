using Junctivor.Checks;

namespace Junctivor.Tests.Checks;

/// <summary>How much weight a fault has: by its kind, in a wiring, and where a registration accepts it.</summary>
public class SeverityTests
{
    private static Wiring Frozen => [Transient.Of<Stamp>(), Singleton.Of<Till>()];

    [Fact]
    public void Build_passes_its_report_to_a_callback_whether_it_succeeds_or_fails()
    {
        List<string> reported = [];
        BuildOptions options = new() { OnReport = report => reported.Add(report.Counts) };
        Wiring twice = [Singleton.Of<IClock, SystemClock>(), Singleton.Of<IClock, SystemClock>()];
        Wiring missing = [Transient.Of<BerthPlanner>()];

        twice.Build(options).Dispose();
        Assert.Throws<WiringException>(() => missing.Build(options));

        Assert.Equal(["1 warning", "1 error"], reported);
    }

    [Fact]
    public void Finding_says_that_it_is_a_warning_and_what_makes_it_stop_the_build()
    {
        Wiring twice = [Singleton.Of<IClock, SystemClock>(), Singleton.Of<IClock, SystemClock>()];

        Assert.StartsWith("JV204 registered-twice (warning): ", twice.Check().All[0].ToString(), StringComparison.Ordinal);
        Fault raised = Assert.Single(twice.Check(new BuildOptions { WarningsAreErrors = true }).Errors);
        Assert.StartsWith("JV204 registered-twice: ", raised.ToString(), StringComparison.Ordinal);
        Assert.Equal("By default this is a warning; WarningsAreErrors makes it stop the build.", raised.Remarks[^1]);
        BuildOptions severe = new() { Severities = new Dictionary<string, Severity> { ["JV204"] = Severity.Error } };
        Assert.EndsWith("Severities makes it stop the build.", twice.Check(severe).Errors[0].Remarks[^1], StringComparison.Ordinal);
    }

    [Fact]
    public void A_note_can_be_raised_to_a_fault_by_a_wiring()
    {
        BuildOptions strict = new() { Severities = new Dictionary<string, Severity> { ["jv303"] = Severity.Error } };

        Assert.Equal("JV303", Assert.Single(Frozen.Check(strict).Errors).Code);
        Assert.Throws<WiringException>(() => Frozen.Build(strict));
        Assert.True(Frozen.Check().IsSound);
    }

    [Fact]
    public void Severities_of_tolerable_faults_can_be_lowered()
    {
        BuildOptions lenient = new() { Severities = new Dictionary<string, Severity> { ["JV203"] = Severity.Note } };

        using Container container = new Wiring { Singleton.Of<IClock, SystemClock>().Replacing() }.Build(lenient);

        Assert.Equal(Severity.Note, Assert.Single(container.Report.Notes).Severity);
        Assert.IsType<SystemClock>(container.Resolve<IClock>());
    }

    [Theory]
    [InlineData("JV101", "The severity of JV101 missing cannot be lowered")]
    [InlineData("JV301", "The severity of JV301 captive cannot be lowered")]
    [InlineData("JV999", "There is no fault code 'JV999'")]
    public void Severities_of_essential_and_unknown_codes_cannot_be_lowered(string code, string why)
    {
        ArgumentException refused =
            Assert.Throws<ArgumentException>(
                () => new BuildOptions { Severities = new Dictionary<string, Severity> { [code] = Severity.Note } });

        Assert.StartsWith(why, refused.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void A_severity_that_is_named_holds_where_warnings_are_faults()
    {
        Wiring twice = [Singleton.Of<IClock, SystemClock>(), Singleton.Of<IClock, SystemClock>()];
        BuildOptions options = new()
        {
            WarningsAreErrors = true,
            Severities = new Dictionary<string, Severity> { ["JV204"] = Severity.Warning },
        };

        Assert.False(twice.Check(new BuildOptions { WarningsAreErrors = true }).IsSound);
        Assert.True(twice.Check(options).IsSound);
    }

    [Theory]
    [InlineData(0)]
    [InlineData(1)]
    public void A_registration_on_the_path_can_accept_a_note_with_a_reason(int which)
    {
        Wiring wiring =
        [
            which == 0 ? Transient.Of<Stamp>().Accept("JV303", "One a day.") : Transient.Of<Stamp>(),
            which == 1 ? Singleton.Of<Till>().Accept("JV303", "One a day.") : Singleton.Of<Till>(),
        ];

        CheckReport report = wiring.Check();

        Assert.Empty(report.All);
        Assert.Equal(("JV303", "One a day."), (Assert.Single(report.Accepted).Code, report.Accepted[0].AcceptedBecause));
        Assert.Contains(
            "Accepted: JV303 frozen-transient: SeverityTests.Till (singleton) keeps one instance of SeverityTests.Stamp", report.ToString(),
            StringComparison.Ordinal);
        Assert.EndsWith("reason: One a day.", report.ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public void An_acceptance_holds_for_its_own_registration_and_kind_only()
    {
        Wiring wiring = [.. Frozen, Singleton.From((Stamp stamp) => new object()).Accept("JV303", "Kept."), Singleton.Of<SystemClock>()];

        Assert.Equal("JV303", Assert.Single(wiring.Check().Notes).Code);
        Assert.Single(wiring.Check().Accepted);
    }

    [Fact]
    public void An_acceptance_that_matches_nothing_is_a_warning()
    {
        Wiring wiring = [Singleton.Of<SystemClock>().Accept("JV303", "There was a stamp once.")];

        Fault fault = Assert.Single(wiring.Check().Warnings);

        Assert.Equal("JV504", fault.Code);
        Assert.Contains("There was a stamp once.", Assert.Single(fault.Remarks), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("JV999", "which is not a fault code")]
    [InlineData("JV301", "cannot be accepted")]
    public void Accepting_what_cannot_be_is_a_fault(string code, string why)
    {
        Wiring wiring = [Singleton.Of<SystemClock>().Accept(code, "It is so.")];

        Fault fault = Assert.Single(wiring.Check().All);

        Assert.Equal("JV109", fault.Code);
        Assert.Contains(why, fault.Summary, StringComparison.Ordinal);
    }

    [Fact]
    public void Accepting_requires_a_code_and_a_reason()
    {
        Assert.Throws<ArgumentException>(() => Singleton.Of<SystemClock>().Accept("", "reason"));
        Assert.Throws<ArgumentException>(() => Singleton.Of<SystemClock>().Accept("JV303", ""));
    }

    [Fact]
    public void One_who_accepts_an_absent_list_leaves_it_to_the_others()
    {
        Wiring wiring =
        [
            Singleton.From((IReadOnlyList<IClock> clocks) => new Till(new Stamp())).Accept("JV505", "None is fine."),
            Singleton.From((IReadOnlyList<IClock> clocks) => new SystemClock()),
        ];

        Assert.Equal(["SystemClock"], Assert.Single(wiring.Check().Notes).Candidates);
        Assert.Single(wiring.Check().Accepted);
    }

    [Fact]
    public void Branch_uses_the_severities_of_its_parent()
    {
        BuildOptions strict = new() { Severities = new Dictionary<string, Severity> { ["JV303"] = Severity.Error } };
        using Container container = new Wiring { Singleton.Of<SystemClock>() }.Build(strict);

        Assert.Throws<WiringException>(() => container.Branch(Frozen));
    }

    [Fact]
    public void Root_causes_come_first()
    {
        Wiring wiring =
        [
            Scoped.Of<Stamp>(), Singleton.Of<Till>(),
            Singleton.Value(1), Singleton.Value(2), Transient.From((int berths) => new object()),
            Transient.Of<BerthPlanner>(),
        ];

        Assert.Equal(["JV101", "JV202", "JV301"], wiring.Check().Errors.Select(fault => fault.Code));
    }

    [Fact]
    public void What_follows_from_a_misplaced_replacement_is_part_of_its_fault()
    {
        Wiring wiring = [Singleton.Of<IClock, StoppedClock>().Replacing(), Singleton.Of<IClock, SystemClock>(),
            Transient.From((IClock clock) => new object())];

        Fault replaced = Assert.Single(wiring.Check().Errors);

        Assert.Equal("JV203", replaced.Code);
        Assert.Equal("object requires one IClock, and finds both.", replaced.Remarks[^1]);
        Assert.Equal("move it after SystemClock", replaced.Fixes[0].Advice);
    }

    [Fact]
    public void What_is_unreached_only_because_another_service_is_missing_is_reported_once()
    {
        Wiring wiring = [Transient.Of<BerthPlanner>().ResolvedDirectly(), Scoped.Of<MemoryLedger>()];

        Assert.Equal("JV101", Assert.Single(wiring.Check().All).Code);
    }

    public sealed class Stamp
    {
        public DateTime At { get; set; }
    }

    public sealed record Till(Stamp Stamp);

    public sealed class StoppedClock : IClock;
}
