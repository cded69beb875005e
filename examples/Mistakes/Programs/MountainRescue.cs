using Junctivor;

namespace Mistakes.Programs;

/// <summary>A mountain rescue of two modules, each on one line: what one requires, the other has under its class only.</summary>
public static class MountainRescue
{
    /// <summary>What the sound program prints.</summary>
    public const string Prints = """
        base to hut: sledge and rope

        """;

    [CheckedWiring("mountain rescue")]
    public static Wiring Wiring => [.. Valley, .. Summit];

    private static Wiring Valley => [Singleton.Of<Radio>(), Singleton.Of<Base>()];

    private static Wiring Summit => [Singleton.Of<Hut>(), Singleton.Of<Sledge>(), Singleton.Of<Team>()];

    public static void Run(TextWriter output)
    {
        using Container container = Wiring.Build();
        output.WriteLine(container.Resolve<Base>().Call());
    }

    private interface IRadio
    {
        string Call(string who);
    }

    private sealed class Radio : IRadio
    {
        public string Call(string who) => $"base to {who}";
    }

    private sealed class Rope
    {
        public override string ToString() => "rope";
    }

    private sealed class Sledge
    {
        public override string ToString() => "sledge";
    }

    private sealed class Hut
    {
        public string Name => "hut";
    }

    private sealed class Team(Sledge sledge, Rope rope)
    {
        public string Kit => $"{sledge} and {rope}";
    }

    private sealed class Base(IRadio radio, Hut hut, Team team)
    {
        public string Call() => $"{radio.Call(hut.Name)}: {team.Kit}";
    }
}
