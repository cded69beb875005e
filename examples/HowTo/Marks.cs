namespace HowTo;

/// <summary>Two registrations of one type are distinguished by marks: a type, which cannot be mistyped, or a string.</summary>
internal static class Marks
{
    public static void Run()
    {
        Wiring wiring =
        [
            Singleton.Value(12).Marked<North>(),
            Singleton.Value(7).Marked<South>(),
            Singleton.Value("harbour master").Marked("signature"),
            Transient.From(([Marked<North>] int north, [Marked<South>] int south, [Marked("signature")] string by) =>
                new Sounding($"{north} m in the north, {south} m in the south. Signed, the {by}")),
        ];
        using Container container = wiring.Build();
        WriteLine(container.Resolve<Sounding>().Text);

        Wiring unmarked = [Singleton.Value(12), Singleton.Value(7), Transient.From((int depth) => new Sounding($"{depth}"))];
        WriteLine();
        WriteLine(unmarked.Check().Errors[0]);

        Wiring mistyped = [Singleton.Value(12).Marked("north"), Transient.From(([Marked("nroth")] int depth) => new Sounding($"{depth}"))];
        WriteLine();
        WriteLine(mistyped.Check().Errors[0]);
    }

    private sealed class North;

    private sealed class South;

    private sealed record Sounding(string Text);
}
