using Junctivor;

namespace Mistakes.Programs;

/// <summary>A brewery: the kettle wants a reading that comes only after the build, and the recipe is made slowly.</summary>
public static class Brewery
{
    /// <summary>What the sound program prints.</summary>
    public const string Prints = """
        pale at 67 degrees

        """;

    [CheckedWiring("brewery")]
    public static Wiring Wiring =>
    [
        Singleton.Incoming<Thermometer>().SuppliedLater(),
        Singleton.From(async () =>
        {
            await Task.Yield();
            return new Recipe("pale");
        }),
        Singleton.Of<Kettle>(),
    ];

    public static async Task Run(TextWriter output)
    {
        await using Container container = Wiring.Build();
        await container.WarmUpAsync();
        container.Supply(new Thermometer(67));
        output.WriteLine(container.Resolve<Kettle>().Boil());
    }

    private sealed record Thermometer(int Degrees);

    private sealed record Recipe(string Name);

    private sealed class Kettle
    {
        private readonly Recipe _recipe;
        private readonly Thermometer _thermometer;

        public Kettle(Recipe recipe, Thermometer thermometer) => (_recipe, _thermometer) = (recipe, thermometer);

        public string Boil() => $"{_recipe.Name} at {_thermometer.Degrees} degrees";
    }
}
