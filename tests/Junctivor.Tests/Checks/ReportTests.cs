using Junctivor.Checks;

namespace Junctivor.Tests.Checks;

public class ReportTests
{
    [Fact]
    public void Places_are_shown_relative_to_the_folder_that_the_known_ones_share()
    {
        Wiring wiring =
        [
            Singleton.Of<BookingDesk>("/harbour/office/desk/Desk.cs", 3),
            Singleton.Of<BerthPlanner>("/harbour/office/Planner.cs", 7),
            Singleton.Of<SystemClock>("", 0),
        ];

        Fault fault = Assert.Single(wiring.Check().Errors);

        Assert.Contains("desk/Desk.cs:3", fault.ToString(), StringComparison.Ordinal);
        Assert.Contains(" Planner.cs:7", fault.ToString(), StringComparison.Ordinal);
        Assert.DoesNotContain("office", fault.ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public void Ten_faults_are_named_in_one_report()
    {
        Wiring wiring =
        [
            Singleton.Incoming<HarbourSettings>(),                                  // JV105: not handed over
            Transient.Of<CaptiveTests.Middle>(),                                    // JV101: BerthPlanner
            Singleton.Of<ITideTable>(),                                             // JV102
            Transient.Of<ClassTests.Torn>(),                                        // JV103
            Singleton.Of<AlmanacTideTable>().Also<IClock>(),                        // JV104
            Singleton.Of<CycleTests.Ouroboros>(),                                   // JV201
            Singleton.Value(1), Singleton.Value(2), Transient.From((int berths) => new LedgerFile($"{berths}")),    // JV202
            Scoped.Of<IBerthLedger, MemoryLedger>(),
            Singleton.Of<CaptiveTests.NightlyInvoicing>(),                          // JV301
            Singleton.From((IBerthLedger ledger) => new CaptiveTests.Holder(ledger)),   // JV301 through a factory
        ];

        WiringException thrown = Assert.Throws<WiringException>(() => wiring.Build(Incoming.Value(new Caller("Mira"))));   // JV107

        Assert.Equal(
            ["JV101", "JV102", "JV103", "JV104", "JV105", "JV107", "JV201", "JV202", "JV301", "JV301"],
            thrown.Report.Errors.Select(fault => fault.Code).Order());
        Assert.StartsWith("The wiring: 10 errors.", thrown.Message, StringComparison.Ordinal);
        Assert.All(
            thrown.Report.Errors,
            fault => Assert.Contains($"\n\n{fault.Code} {fault.Name}: {fault.Summary}\n", thrown.Message, StringComparison.Ordinal));
        Assert.All(thrown.Report.Errors, fault => Assert.NotEmpty(fault.Fixes));
    }

    [Fact]
    public void Nothing_is_constructed_by_a_check_or_a_failing_build()
    {
        int made = 0;
        Wiring wiring = [Singleton.From(() => new LedgerFile($"{++made}")), Transient.Of<BerthPlanner>()];

        wiring.Check();
        Assert.Throws<WiringException>(() => wiring.Build());

        Assert.Equal(0, made);
    }

    [Fact]
    public void Every_registration_knows_where_it_was_written()
    {
        Registration registration = Singleton.Of<IClock, SystemClock>(); Registration next = Singleton.From(() => 1);

        Assert.EndsWith("ReportTests.cs", registration.File, StringComparison.Ordinal);
        Assert.Equal(registration.Line, next.Line);
        Assert.True(registration.Line > 10);
        Assert.Equal("singleton SystemClock for IClock", registration.ToString());
    }

    [Fact]
    public void A_fault_reads_as_the_documentation_shows_it()
    {
        Wiring wiring =
        [
            Singleton.Of<NightlyInvoicing>("/office/Office/OfficeWiring.cs", 31),
            Scoped.Of<IBerthLedger, CountingLedger>("/office/Storage/StorageWiring.cs", 14),
        ];

        Assert.Equal(
            """
            The wiring: 1 error.

            JV301 captive: NightlyInvoicing (singleton) holds IBerthLedger (scoped)
              NightlyInvoicing          singleton   Office/OfficeWiring.cs:31
              └─ ledger: IBerthLedger   scoped      Storage/StorageWiring.cs:14
              IBerthLedger is disposed with its scope (a request, a message, a job).
              NightlyInvoicing would keep using its first instance until the end of the process.
              Fix: run each unit of work of NightlyInvoicing in its own scope, inside RunAsync; change the parameter to:
                     FreshScope<IBerthLedger> ledger
               or: give NightlyInvoicing the lifetime of the service it holds, so that each scope creates its own:
                     Scoped.Of<NightlyInvoicing>()
              More: junctivor fault JV301, or https://junctivor.example/faults/jv301
            """,
            wiring.Check().ToString());
    }

    [Fact]
    public void A_sound_wiring_says_so()
    {
        CheckReport report = new Wiring { Singleton.Of<IClock, SystemClock>() }.Check();

        Assert.True(report.IsSound);
        Assert.Equal("The wiring: sound.", report.ToString());
    }

    private sealed class CountingLedger : IBerthLedger
    {
        public int Bookings { get; set; }
    }

    private sealed class NightlyInvoicing(IBerthLedger ledger)
    {
        public IBerthLedger Ledger { get; } = ledger;
    }
}
