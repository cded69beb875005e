using System.Runtime.CompilerServices;
using Junctivor.Checks;

namespace Junctivor.Tests.Checks;

/// <summary>A fault at run time says which call of the program it comes from, and speaks of that call.</summary>
public class RequestPlaceTests
{
    private static readonly Wiring Office = [Scoped.Incoming<Visitor>(), Scoped.Of<Desk>(), Singleton.Of<Night>()];

    [Fact]
    public void A_request_from_the_container_is_found_with_its_line()
    {
        using Container container = Office.Build();

        Fault fault = Assert.Throws<ResolveException>(() => container.Resolve<Desk>()).Fault;

        Assert.Equal(
            $"Requested at RequestPlaceTests.cs:{Line() - 3}, in RequestPlaceTests.A_request_from_the_container_is_found_with_its_line.",
            fault.Remarks[^1]);
    }

    [Fact]
    public void A_factory_that_requests_what_is_scoped_is_told_to_take_it()
    {
        Container? container = null;
        using Container office = new Wiring
        {
            Scoped.Of<Clerk>(), Singleton.From(() => new Archive(container!.Resolve<Clerk>())),
        }.Build();
        container = office;

        Fix fix = Assert.Single(Assert.Throws<ResolveException>(() => office.Resolve<Archive>()).Fault.Fixes);

        Assert.Equal(
            "take Clerk as a parameter where Archive is created, instead of resolving it, so that the check of the wiring covers it",
            fix.Advice);
        Assert.Empty(fix.Edits);
    }

    [Fact]
    public void A_value_for_which_something_is_registered_gets_no_second_one()
    {
        Wiring wiring = [Singleton.Of<Clerk>()];

        Fault fault = Assert.Throws<WiringException>(() => wiring.Build(Incoming.Value(new Clerk()))).Report.Errors[0];

        Assert.Equal(
            [
                "do not supply it: Clerk is registered for it",
                "declare it in the wiring instead of the registration of Clerk",
            ],
            fault.Fixes.Select(each => each.Advice));
    }

    [Fact]
    public async Task A_value_for_a_fresh_scope_is_supplied_where_it_is_run()
    {
        await using Container container = Office.Build();
        Night night = container.Resolve<Night>();

        Fault waiting = (await Assert.ThrowsAsync<ResolveException>(night.WorkAsync)).Fault;
        Fault direct = Assert.Throws<ResolveException>(night.Work).Fault;

        Assert.Equal("RunAsync(work, [Incoming.Value<Visitor>(…)])", waiting.Fixes[0].Code);
        Assert.EndsWith("in Night.WorkAsync.", waiting.Remarks[^1], StringComparison.Ordinal);
        Assert.Equal("Run(work, Incoming.Value<Visitor>(…))", direct.Fixes[0].Code);
    }

    [Fact]
    public async Task A_value_for_what_is_lent_is_supplied_to_the_loan()
    {
        await using Container container = Office.Build();

        Fault lent = Assert.Throws<ResolveException>(() => container.Lend<Desk>()).Fault;
        Fault later = (await Assert.ThrowsAsync<ResolveException>(
            async () => await container.LendAsync<Desk>(cancellationToken: Token))).Fault;

        Assert.Equal("Lend<Desk>(Incoming.Value<Visitor>(…))", lent.Fixes[0].Code);
        Assert.StartsWith("LendAsync<", later.Fixes[0].Code, StringComparison.Ordinal);
    }

    [Fact]
    public void A_scope_that_the_program_starts_itself_gets_the_value_there()
    {
        using Container container = Office.Build();
        using Scope scope = container.StartScope();

        Fault fault = Assert.Throws<ResolveException>(() => scope.Resolve<Desk>()).Fault;

        Assert.Equal("await using Scope scope = container.StartScope(Incoming.Value<Visitor>(…));", fault.Fixes[0].Code);
    }

    [Fact]
    public void A_value_for_the_container_is_supplied_in_the_call_that_creates_it()
    {
        Wiring wiring = [Singleton.Incoming<Visitor>()];
        using Container parent = new Wiring().Build();

        string plain = CodeOf(() => wiring.Build());
        string withOptions = CodeOf(() => wiring.Build(new BuildOptions()));
        string branch = CodeOf(() => parent.Branch(wiring));

        Assert.StartsWith("await using Container container = wiring.Build(Incoming.", plain, StringComparison.Ordinal);
        Assert.StartsWith("await using Container container = wiring.Build(options, Incoming.", withOptions, StringComparison.Ordinal);
        Assert.StartsWith("await using Container branch = container.Branch(changes, Incoming.", branch, StringComparison.Ordinal);
    }

    private static string CodeOf(Func<object> build) => Assert.Throws<WiringException>(build).Report.Errors[0].Fixes[0].Code!;

    private static CancellationToken Token => TestContext.Current.CancellationToken;

    private static int Line([CallerLineNumber] int line = 0) => line;

    private sealed record Visitor(string Name);

    private sealed record Desk(Visitor Visitor)
    {
        public void Open()
        {
        }
    }

    private sealed class Night(FreshScope<Desk> desk)
    {
        public async Task WorkAsync()
        {
            await Task.Yield();
            await desk.RunAsync(_ => Task.CompletedTask);
        }

        public void Work() => desk.Run(fresh => fresh.Open());
    }

    private sealed class Clerk;

    private sealed record Archive(Clerk Clerk);
}
