namespace Junctivor.Testing.Tests;

public sealed class WiringTests : IDisposable
{
    private readonly string _folder = Directory.CreateTempSubdirectory().FullName;

    private static Wiring Office => [Singleton.Of<IClock, Clock>(), Scoped.Of<Ledger>(), Transient.Of<Desk>()];

    private string File => Path.Combine(_folder, "office.json");

    private string NewFile => Path.Combine(_folder, "office.new.json");

    public void Dispose() => Directory.Delete(_folder, recursive: true);

    [Fact]
    public void A_sound_wiring_passes_and_a_faulty_one_is_told_whole()
    {
        Office.MustBeSound();
        Wiring faulty = [Transient.Of<Desk>()];

        WiringTestException thrown = Assert.Throws<WiringTestException>(faulty.MustBeSound);

        Assert.StartsWith("The wiring: 2 errors", thrown.Message, StringComparison.Ordinal);
        Assert.Contains("JV101 missing: Desk requires Ledger", thrown.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void Entry_points_count()
    {
        EntryPoint page = new("GET /berths") { Services = [new RequestedService(typeof(Uri), "map")] };

        Assert.Contains(
            "GET /berths requires Uri", Thrown(() => Office.MustBeSound([page])), StringComparison.Ordinal);
    }

    [Fact]
    public void A_warning_fails_where_none_is_wanted()
    {
        Wiring warned = [.. Office, Singleton.Of<Unused>().IfMissing(), Transient.Of<Buoy>().ResolvedDirectly()];
        warned.MustBeSound();

        Assert.Contains(
            "JV501", Assert.Throws<WiringTestException>(warned.MustHaveNoWarnings).Message, StringComparison.Ordinal);
    }

    [Fact]
    public void Entry_points_are_read_by_a_method_that_asks_what_the_wiring_provides()
    {
        Wiring used = [.. Office, Singleton.Of<Unused>(), Transient.Of<Buoy>().ResolvedDirectly()];

        used.MustHaveNoWarnings(container => Requesting(container.Knows<Unused>(), typeof(Unused), typeof(Desk)));
        Assert.Contains(
            "JV501", Thrown(() => used.MustHaveNoWarnings(container => Requesting(container.Knows<Desk>(), typeof(Desk)))),
            StringComparison.Ordinal);
        used.MustBeSound(container => Requesting(container.Knows<Desk>(), typeof(Desk)));
        Assert.Contains(
            "GET /berths requires Uri", Thrown(() => used.MustBeSound(container => Requesting(!container.Knows<Uri>(), typeof(Uri)))),
            StringComparison.Ordinal);
    }

    [Fact]
    public void A_graph_is_written_once_and_then_compared()
    {
        Assert.Contains("so it was written", Thrown(() => Office.MustMatch(File)), StringComparison.Ordinal);
        Office.MustMatch(File);
        Wiring changed = [Singleton.Of<IClock, Clock>(), Scoped.Of<Ledger>(), Singleton.Of<Buoy>(), Scoped.Of<Desk>()];

        string message = Assert.Throws<WiringTestException>(() => changed.MustMatch(File)).Message;

        Assert.Contains("Buoy", message, StringComparison.Ordinal);
        Assert.Contains("transient", message, StringComparison.Ordinal);
        Assert.EndsWith(
            "If this is intended, replace office.json with office.new.json, which is beside it.", message, StringComparison.Ordinal);
        System.IO.File.Move(NewFile, File, overwrite: true);
        changed.MustMatch(File);
        Assert.Equal([File], Directory.GetFiles(_folder));
    }

    [Fact]
    public void What_is_no_graph_says_so()
    {
        System.IO.File.WriteAllText(File, "{}");

        Assert.Contains("is no saved graph", Thrown(() => Office.MustMatch(File)), StringComparison.Ordinal);
        Assert.Equal("{}", System.IO.File.ReadAllText(File));
    }

    [Fact]
    public async Task A_service_is_replaced_for_one_test()
    {
        Clock stopped = new();
        await using TestContainer test = TestContainer.Of(Office.Replace<IClock>(stopped).ReplaceClass<Ledger, EmptyLedger>());
        await using Scope scope = test.Container.StartScope();

        Desk desk = scope.Resolve<Desk>();

        Assert.Same(stopped, desk.Clock);
        Assert.IsType<EmptyLedger>(desk.Ledger);
        Assert.Same(desk.Ledger, scope.Resolve<Ledger>());
        Assert.Equal("JV203", Assert.Single(Office.Replace(new Uri("quay://1")).Check().Errors).Code);
        Assert.Equal("JV203", Assert.Single(Office.ReplaceClass<Unused, Unused>().Check().Errors).Code);
    }

    private static IReadOnlyList<EntryPoint> Requesting(bool isAsExpected, params Type[] services)
    {
        Assert.True(isAsExpected);
        return [new EntryPoint("GET /berths") { Services = [.. services.Select(service => new RequestedService(service, "wanted"))] }];
    }

    private static string Thrown(Action work) => Assert.Throws<WiringTestException>(work).Message;

    private interface IClock;

    private sealed class Clock : IClock;

    private class Ledger;

    private sealed class EmptyLedger : Ledger;

    private sealed record Desk(IClock Clock, Ledger Ledger);

    private sealed class Unused;

    private sealed class Buoy;
}
