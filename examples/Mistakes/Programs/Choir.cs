using Junctivor;

namespace Mistakes.Programs;

/// <summary>A choir: one factory registers two voices, and two aliases stand where two basses are meant.</summary>
public static class Choir
{
    /// <summary>What the sound program prints.</summary>
    public const string Prints = """
        2 sopranos, 2 basses

        """;

    [CheckedWiring("choir")]
    public static Wiring Wiring =>
    [
        Singleton.From<ISoprano>(MakeSoprano),
        Singleton.From<ISoprano>(MakeSoprano),
        Singleton.Of<Bass>(),
        Alias.Of<IBass, Bass>(),
        Alias.Of<IBass, Bass>(),
        Singleton.Of<Concert>(),
    ];

    private static Soprano MakeSoprano() => new();

    public static void Run(TextWriter output)
    {
        using Container container = Wiring.Build();
        output.WriteLine(container.Resolve<Concert>().Count());
    }

    private interface ISoprano;

    private interface IBass;

    private sealed class Soprano : ISoprano;

    private sealed class Bass : IBass;

    private sealed class Concert(IReadOnlyList<ISoprano> sopranos, IReadOnlyList<IBass> basses)
    {
        public string Count() => $"{sopranos.Distinct().Count()} sopranos, {basses.Distinct().Count()} basses";
    }
}
