namespace Junctivor.Tests.Workers;

public class LoanTests
{
    private readonly List<string> _ended = [];

    private static CancellationToken Token => TestContext.Current.CancellationToken;

    private Wiring Office =>
    [
        Singleton.Value(_ended),
        Scoped.Incoming<Caller>(),
        Scoped.Of<Page>(),
        Transient.Of<Desk>(),
        Scoped.FromAsync(async (Caller caller) => { await Task.Yield(); return new LedgerFile(caller.Name); }),
        Transient.From(IClock (Page page) => throw new FormatException()),
    ];

    [Fact]
    public async Task What_is_lent_ends_with_its_scope_and_not_before()
    {
        await using Container container = Office.Build();

        await using (Loan<Desk> first = container.Lend<Desk>(Incoming.Value(new Caller("Mira"))))
        {
            using Loan<object> second = container.Lend(typeof(Desk), Incoming.Value(new Caller("Odd")));
            Assert.NotSame(first.Value.Page, Assert.IsType<Desk>(second.Value).Page);
            Assert.Empty(_ended);
        }

        Assert.Equal(["Odd's page", "Mira's page"], _ended);
    }

    [Fact]
    public async Task What_is_created_asynchronously_is_awaited()
    {
        await using Container container = Office.Build();

        await using Loan<LedgerFile> loan = await container.LendAsync<LedgerFile>([Incoming.Value(new Caller("Mira"))], Token);

        Assert.Equal("Mira", loan.Value.Folder);
    }

    [Fact]
    public async Task Loan_is_awaited_with_and_without_a_token_by_type_argument_and_by_type()
    {
        await using Container container = Office.Build();

        await using Loan<LedgerFile> first = await container.LendAsync<LedgerFile>([Incoming.Value(new Caller("Mira"))], Token);
        await using Loan<object> second = await container.LendAsync(typeof(LedgerFile), [Incoming.Value(new Caller("Odd"))], Token);
        await using Loan<object> third = await container.LendAsync(typeof(LedgerFile), [Incoming.Value(new Caller("Ida"))], Token);

        Assert.Equal(
            ["Mira", "Odd", "Ida"],
            new[] { first.Value, second.Value, third.Value }.Select(value => Assert.IsType<LedgerFile>(value).Folder));
        Assert.Equal(
            "service",
            (await Assert.ThrowsAsync<ArgumentNullException>(
                async () => await container.LendAsync(null!, cancellationToken: Token))).ParamName);
    }

    [Fact]
    public async Task A_loan_that_fails_ends_its_scope()
    {
        await using Container container = Office.Build();

        Assert.Throws<ConstructionException>(() => container.Lend<IClock>(Incoming.Value(new Caller("Mira"))));
        await Assert.ThrowsAsync<ConstructionException>(
            async () => await container.LendAsync<IClock>([Incoming.Value(new Caller("Odd"))], Token));

        Assert.Equal(["Mira's page", "Odd's page"], _ended);
    }

    [Fact]
    public async Task Second_disposal_does_nothing()
    {
        await using Container container = Office.Build();
        Loan<Desk> loan = container.Lend<Desk>(Incoming.Value(new Caller("Mira")));

        loan.Dispose();
        await loan.DisposeAsync();

        Assert.Single(_ended);
    }

    public sealed class Page(Caller caller, List<string> ended) : IDisposable
    {
        public void Dispose() => ended.Add($"{caller.Name}'s page");
    }

    public sealed record Desk(Page Page);
}
