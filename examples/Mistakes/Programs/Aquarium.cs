using Junctivor;

namespace Mistakes.Programs;

/// <summary>An aquarium: the feeder goes through the tanks with the water book of one scope; its constant has a slip.</summary>
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
        Singleton.Of<Feeder>().Passing("tank", 2),
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
        private readonly int _tanks;

        public Feeder(IWaterBook book, int tanks)
        {
            _book = book;
            _tanks = tanks;
        }

        public async Task FeedAsync(TextWriter output)
        {
            for (int tank = 1; tank <= _tanks; tank++)
            {
                int entry = await _book.EnterAsync(tank);
                await output.WriteLineAsync($"tank {tank}: entry {entry}");
            }
        }
    }
}
