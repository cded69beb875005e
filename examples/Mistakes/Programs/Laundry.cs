using Junctivor;

namespace Mistakes.Programs;

/// <summary>A laundry: the steam iron reads the basket of one customer, and so does the receipt.</summary>
public static class Laundry
{
    /// <summary>What the sound program prints.</summary>
    public const string Prints = """
        3 shirts ironed
        receipt for 3 shirts

        """;

    [CheckedWiring("laundry")]
    public static Wiring Wiring =>
    [
        Scoped.Of<Basket>(),
        Singleton.Of<SteamIron>(),
        Singleton.Of<Receipts>(),
    ];

    public static async Task Run(TextWriter output)
    {
        await using Container container = Wiring.Build();
        output.WriteLine(await container.Resolve<SteamIron>().IronAsync(CancellationToken.None));
        output.WriteLine(await container.Resolve<Receipts>().PrintAsync());
    }

    private sealed class Basket
    {
        public async Task<int> CountAsync(CancellationToken cancellationToken)
        {
            await Task.Yield();
            cancellationToken.ThrowIfCancellationRequested();
            return 3;
        }

        public async ValueTask<string> DescribeAsync()
        {
            await Task.Yield();
            return "3 shirts";
        }
    }

    private sealed class SteamIron(Basket basket)
    {
        public async Task<string> IronAsync(CancellationToken cancellationToken)
        {
            int before = await basket.CountAsync(cancellationToken);
            await Task.Yield();
            int after = await basket.CountAsync(cancellationToken);
            return before == after ? $"{after} shirts ironed" : "a shirt is lost";
        }
    }

    private sealed class Receipts
    {
        private Basket Basket { get; }

        public Receipts(Basket basket) => Basket = basket;

        public async Task<string> PrintAsync() => $"receipt for {await Basket.DescribeAsync()}";
    }
}
