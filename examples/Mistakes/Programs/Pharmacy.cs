using Junctivor;

namespace Mistakes.Programs;

/// <summary>A pharmacy: an interface is registered in place of its class, and a class hides its constructor.</summary>
public static class Pharmacy
{
    /// <summary>What the sound program prints.</summary>
    public const string Prints = """
        2 prescriptions, weighed to the gram

        """;

    [CheckedWiring("pharmacy")]
    public static Wiring Wiring =>
    [
        Scoped.Of<IPrescriptions>(),
        Singleton.Of<Scales>(),
        Scoped.Of<Chemist>(),
    ];

    public static void Run(TextWriter output)
    {
        using Container container = Wiring.Build();
        using Scope scope = container.StartScope();
        output.WriteLine(scope.Resolve<Chemist>().Work());
    }

    private interface IPrescriptions
    {
        int Count { get; }
    }

    private sealed class PaperPrescriptions : IPrescriptions
    {
        public int Count => 2;
    }

    private sealed class Scales
    {
        private Scales()
        {
        }

        public string Precision => "to the gram";
    }

    private sealed class Chemist(IPrescriptions prescriptions, Scales scales)
    {
        public string Work() => $"{prescriptions.Count} prescriptions, weighed {scales.Precision}";
    }
}
