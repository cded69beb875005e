namespace HowTo;

/// <summary>What a class can do without is written with a question mark or a default; a note tells what is absent.</summary>
internal static class Optional
{
    public static void Run()
    {
        Wiring without = [Transient.Of<Foghorn>()];
        Wiring with = [Transient.Of<Foghorn>(), Singleton.Of<WeatherGlass>(), Singleton.Value(5)];
        using Container quiet = without.Build();
        using Container loud = with.Build();

        WriteLine($"Without: {quiet.Resolve<Foghorn>().Sound()}");
        WriteLine($"With:    {loud.Resolve<Foghorn>().Sound()}");
        WriteLine();
        WriteLine(quiet.Report.Notes[0]);
    }

    private sealed class WeatherGlass;

    private sealed class Foghorn(WeatherGlass? glass, int blasts = 2)
    {
        public string Sound() => $"{blasts} blasts{(glass is null ? "" : ", when the glass falls")}";
    }
}
