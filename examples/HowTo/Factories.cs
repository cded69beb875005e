namespace HowTo;

/// <summary>A factory says what it needs as parameters, so nothing hides from the check.</summary>
internal static class Factories
{
    public static void Run()
    {
        Wiring wiring =
        [
            Singleton.Value(new HarbourSettings("/var/harbour")),
            Singleton.From((HarbourSettings settings) => new LedgerFile(settings.Folder + "/ledger.db")),
            Singleton.From<LedgerFile, Backup>(Backup.Of),          // a method group names its types
            Transient.Of<Crane>().Passing("tons", 12),              // a constant for one parameter
        ];
        using Container container = wiring.Build();
        WriteLine($"{container.Resolve<Backup>()} with a crane of {container.Resolve<Crane>().Tons} tons");

        Wiring forgotten = [Singleton.From((HarbourSettings settings) => new LedgerFile(settings.Folder))];
        WriteLine();
        WriteLine(forgotten.Check().Errors[0]);
    }

    private sealed record HarbourSettings(string Folder);

    private sealed record LedgerFile(string Path);

    private sealed record Backup(string From)
    {
        public static Backup Of(LedgerFile file) => new(file.Path);
    }

    private sealed class Crane(LedgerFile file, int tons)
    {
        public LedgerFile File { get; } = file;

        public int Tons { get; } = tons;
    }
}
