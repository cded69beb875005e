using Junctivor;

namespace Mistakes.Programs;

/// <summary>A clinic: the laboratory holds a patient record through two transients, and a third class was forgotten.</summary>
public static class Clinic
{
    /// <summary>What the sound program prints.</summary>
    public const string Prints = """
        Sample 1 of a fresh record
        Sample 1 of a fresh record
        Next, please

        """;

    [CheckedWiring("clinic")]
    public static Wiring Wiring =>
    [
        Scoped.Of<PatientRecord>(),
        Transient.Of<Archive>(),
        Transient.Of<Sample>(),
        Singleton.Of<Laboratory>(),
        Singleton.Of<Reception>(),
    ];

    public static void Run(TextWriter output)
    {
        using Container container = Wiring.Build();
        Laboratory laboratory = container.Resolve<Laboratory>();
        output.WriteLine(laboratory.Examine());
        output.WriteLine(laboratory.Examine());
        output.WriteLine(container.Resolve<Reception>().Call());
    }

    private sealed class PatientRecord
    {
        public int Samples { get; set; }
    }

    private sealed class Archive(PatientRecord record)
    {
        public int Note() => ++record.Samples;
    }

    private sealed class Sample(Archive archive)
    {
        public string Take() => $"Sample {archive.Note()} of a fresh record";
    }

    private sealed class Laboratory(Sample sample)
    {
        public string Examine()
        {
            string taken = sample.Take();
            return taken;
        }
    }

    private sealed class Loudspeaker
    {
        public string Say(string text) => text;
    }

    private sealed class Reception(Loudspeaker loudspeaker)
    {
        public string Call() => loudspeaker.Say("Next, please");
    }
}
