using Junctivor;

namespace Mistakes.Programs;

/// <summary>A museum: the guide and the shop need each other, and what the night watch would use is registered for nobody.</summary>
public static class Museum
{
    /// <summary>What the sound program prints.</summary>
    public const string Prints = """
        The guide knows the shop: postcards from the guide
        The watch has a torch

        """;

    [CheckedWiring("museum")]
    public static Wiring Wiring =>
    [
        Singleton.Of<Guide>().ResolvedDirectly(),
        Singleton.Of<Shop>(),
        Singleton.Of<NightWatch>(),
        Singleton.Of<Torch>(),
    ];

    public static void Run(TextWriter output)
    {
        using Container container = Wiring.Build();
        output.WriteLine(container.Resolve<Guide>().Tell());
        output.WriteLine(container.Resolve<NightWatch>().Report());
    }

    private sealed class Guide(Shop shop)
    {
        public string Name => "the guide";

        public string Tell() => $"The guide knows the shop: {shop.Sell()}";
    }

    private sealed class Shop
    {
        private readonly Guide _guide;

        public Shop(Guide guide) => _guide = guide;

        public string Sell() => $"postcards from {_guide.Name}";
    }

    private sealed class NightWatch(Torch torch)
    {
        public string Report() => $"The watch has {torch}";
    }

    private sealed class Torch
    {
        public override string ToString() => "a torch";
    }
}
