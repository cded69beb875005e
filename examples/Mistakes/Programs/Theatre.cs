using Junctivor;

namespace Mistakes.Programs;

/// <summary>A theatre: the loud prompter takes a prompter, and is registered as if it were one itself.</summary>
public static class Theatre
{
    /// <summary>What the sound program prints.</summary>
    public const string Prints = """
        TO BE OR NOT

        """;

    [CheckedWiring("theatre")]
    public static Wiring Wiring =>
    [
        Singleton.Of<IPrompter, Prompter>(),
        Singleton.Of<IPrompter, LoudPrompter>(),
        Transient.Of<Rehearsal>(),
    ];

    public static void Run(TextWriter output)
    {
        using Container container = Wiring.Build();
        output.WriteLine(container.Resolve<Rehearsal>().Start());
    }

    private interface IPrompter
    {
        string Whisper();
    }

    private sealed class Prompter : IPrompter
    {
        public string Whisper() => "to be or not";
    }

    private sealed class LoudPrompter(IPrompter prompter) : IPrompter
    {
        public string Whisper() => prompter.Whisper().ToUpperInvariant();
    }

    private sealed class Rehearsal(IPrompter prompter)
    {
        public string Start() => prompter.Whisper();
    }
}
