using Junctivor;

namespace Mistakes.Programs;

/// <summary>A bakery: two classes are registered only as themselves, and the oven keeps the order book of one customer.</summary>
public static class Bakery
{
    /// <summary>What the sound program prints.</summary>
    public const string Prints = """
        2 loaves for 7.00
        1 order in the oven

        """;

    [CheckedWiring("bakery")]
    public static Wiring Wiring =>
    [
        Scoped.Of<OrderBook>(),
        Singleton.Of<WinterPrices>(),
        Singleton.Of<Oven>(),
        Scoped.Of<Counter>(),
    ];

    public static void Run(TextWriter output)
    {
        using Container container = Wiring.Build();
        using (Scope customer = container.StartScope())
        {
            output.WriteLine(customer.Resolve<Counter>().Sell("loaf", 2));
        }

        output.WriteLine(container.Resolve<Oven>().Bake());
    }

    private interface IOrderBook
    {
        int Count { get; }

        void Note(string bread);
    }

    private interface IPriceList
    {
        decimal Of(string bread);
    }

    private sealed class OrderBook : IOrderBook
    {
        private static readonly List<string> Orders = [];

        public int Count => Orders.Count;

        public void Note(string bread) => Orders.Add(bread);
    }

    private sealed class WinterPrices : IPriceList
    {
        public decimal Of(string bread) => bread == "loaf" ? 3.50m : 1.20m;
    }

    private sealed class Oven(IOrderBook orders)
    {
        public string Bake() => $"{orders.Count} order in the oven";
    }

    private sealed class Counter(IOrderBook orders, IPriceList prices)
    {
        public string Sell(string bread, int count)
        {
            orders.Note(bread);
            return FormattableString.Invariant($"{count} loaves for {count * prices.Of(bread):0.00}");
        }
    }
}
