using Junctivor;

namespace Mistakes.Programs;

/// <summary>A library: the reminder service keeps one session of the catalogue, and what writes letters was never registered.</summary>
public static class LendingLibrary
{
    /// <summary>What the sound program prints.</summary>
    public const string Prints = """
        Dear reader, please return The Long Winter
        Dear reader, please return Knots and Hitches

        """;

    [CheckedWiring("library")]
    public static Wiring Wiring =>
    [
        Scoped.Of<ICatalogue, CardCatalogue>(),
        Singleton.Of<Reminders>(),
    ];

    public static async Task Run(TextWriter output)
    {
        await using Container container = Wiring.Build();
        await container.Resolve<Reminders>().SendAsync(output);
    }

    private interface ICatalogue
    {
        Task<IReadOnlyList<string>> FindOverdueAsync();
    }

    private interface ILetters
    {
        string Write(string title);
    }

    private interface ISalutation
    {
        string Start { get; }
    }

    private sealed class CardCatalogue : ICatalogue, IAsyncDisposable
    {
        private bool _isOpen = true;

        public async Task<IReadOnlyList<string>> FindOverdueAsync()
        {
            await Task.Yield();
            return _isOpen ? ["The Long Winter", "Knots and Hitches"] : throw new ObjectDisposedException(nameof(CardCatalogue));
        }

        public ValueTask DisposeAsync()
        {
            _isOpen = false;
            return ValueTask.CompletedTask;
        }
    }

    private sealed class FriendlyLetters(ISalutation salutation) : ILetters
    {
        public string Write(string title) => $"{salutation.Start}, please return {title}";
    }

    private sealed class Salutation : ISalutation
    {
        public string Start => "Dear reader";
    }

    private sealed class Reminders
    {
        private readonly ICatalogue _catalogue;
        private readonly ILetters _letters;

        public Reminders(ICatalogue catalogue, ILetters letters)
        {
            _catalogue = catalogue ?? throw new ArgumentNullException(nameof(catalogue));
            _letters = letters;
        }

        public async Task SendAsync(TextWriter output)
        {
            foreach (string title in await _catalogue.FindOverdueAsync().ConfigureAwait(false))
            {
                output.WriteLine(_letters.Write(title));
            }
        }
    }
}
