namespace HowTo;

/// <summary>An open generic class serves every closing of its service; a closed registration takes the place of one.</summary>
internal static class OpenGenerics
{
    public static void Run()
    {
        Wiring wiring =
        [
            Singleton.Of(typeof(IArchive<>), typeof(SqliteArchive<>)),
            Singleton.Of<IArchive<Tide>, AlmanacArchive>(),
            Decorator.Of(typeof(IArchive<>), typeof(CountedArchive<>)),
            Transient.Of<Archivist>(),
        ];
        using Container container = wiring.Build();

        Archivist archivist = container.Resolve<Archivist>();
        WriteLine($"Vessels: {archivist.Vessels.Describe()}");
        WriteLine($"Tides:   {archivist.Tides.Describe()}");
        WriteLine($"At run time, for any class: {container.Resolve<IArchive<Captain>>().Describe()}");
    }

    private interface IArchive<T>
    {
        string Describe();
    }

    private sealed class SqliteArchive<T> : IArchive<T>
    {
        public string Describe() => $"a SQLite table of {typeof(T).Name}";
    }

    private sealed class AlmanacArchive : IArchive<Tide>
    {
        public string Describe() => "the printed almanac";
    }

    private sealed class CountedArchive<T>(IArchive<T> inner) : IArchive<T>
    {
        public string Describe() => $"counted, {inner.Describe()}";
    }

    private sealed record Vessel;

    private sealed record Tide;

    private sealed record Captain;

    private sealed record Archivist(IArchive<Vessel> Vessels, IArchive<Tide> Tides);
}
