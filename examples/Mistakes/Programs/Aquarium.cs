using Junctivor;

namespace Mistakes.Programs;

/// <summary>An aquarium: the feeder goes through the tanks again and again, with the water book of one scope.</summary>
public static class Aquarium
{
    /// <summary>What the sound program prints.</summary>
    public const string Prints = """
        tank 1: entry 1
        tank 2: entry 2
        tank 1: entry 1
        tank 2: entry 2

        """;

    [CheckedWiring("aquarium")]
    public static Wiring Wiring =>
    [
        Scoped.Of<IWaterBook, WaterBook>(),
        Singleton.Of<Feeder>(),
    ];

    public static async Task Run(TextWriter output)
    {
        await using Container container = Wiring.Build();
        Feeder feeder = container.Resolve<Feeder>();
        await feeder.FeedAsync(output);
        await feeder.FeedAsync(output);
    }

    private interface IWaterBook
    {
        Task<int> EnterAsync(int tank);
    }

    private sealed class WaterBook : IWaterBook
    {
        private int _entries;

        public Task<int> EnterAsync(int tank) => Task.FromResult(++_entries);
    }

    private sealed class Feeder
    {
        private readonly IWaterBook _book;

        public Feeder(IWaterBook book)
        {
            _book = book;
        }

        public async Task FeedAsync(TextWriter output)
        {
            for (int tank = 1; tank <= 2; tank++)
            {
                int entry = await _book.EnterAsync(tank);
                await output.WriteLineAsync($"tank {tank}: entry {entry}");
            }
        }
    }
}
