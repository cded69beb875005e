using Junctivor;

namespace Mistakes.Programs;

/// <summary>A bicycle workshop: the winter sale holds the stock list and the till of one customer, and both belong together.</summary>
public static class BikeWorkshop
{
    /// <summary>What the sound program prints.</summary>
    public const string Prints = """
        Sold 1 bell, the till has 4
        Sold 1 bell, the till has 4
        Winter sale!

        """;

    [CheckedWiring("bicycle workshop")]
    public static Wiring Wiring =>
    [
        Scoped.Of<Till>(),
        Scoped.Of<IStock, PaperStock>(),
        Singleton.Of<ISale, WinterSale>(),
        Singleton.Of<Signboard>(),
    ];

    public static async Task Run(TextWriter output)
    {
        await using Container container = Wiring.Build();
        ISale sale = container.Resolve<ISale>();
        output.WriteLine(await sale.SellAsync("bell"));
        output.WriteLine(await sale.SellAsync("bell"));
        output.WriteLine(container.Resolve<Signboard>().Text);
    }

    private interface IStock
    {
        void Take(string part);
    }

    private interface ISale
    {
        Task<string> SellAsync(string part);
    }

    private sealed class Till
    {
        public int Coins { get; set; }
    }

    private sealed class PaperStock(Till till) : IStock
    {
        public void Take(string part) => till.Coins += part.Length;
    }

    private sealed class WinterSale(IStock stock, Till till) : ISale
    {
        public async Task<string> SellAsync(string part)
        {
            await Task.Yield();
            stock.Take(part);
            return $"Sold 1 {part}, the till has {till.Coins}";
        }
    }

    private sealed class Signboard(ISale sale)
    {
        public string Text => sale is null ? "" : "Winter sale!";
    }
}
