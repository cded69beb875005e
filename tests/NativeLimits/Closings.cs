namespace Junctivor.NativeLimits;

internal sealed class Closings
{
    public static object RequireStructure() => new Wiring
    {
        Singleton.Of(typeof(IArchive<>), typeof(SqliteArchive<>)),
        Singleton.Of<Counter>(),
    }.Build();

    public static object RequestStructure() =>
        new Wiring { Singleton.Of(typeof(IArchive<>), typeof(SqliteArchive<>)) }.Build().Resolve<IArchive<int>>();

    public static object RequestKnownStructure()
    {
        using Container named = new Wiring { Singleton.Of<IArchive<long>, SqliteArchive<long>>() }.Build();
        return new Wiring { Singleton.Of(typeof(IArchive<>), typeof(SqliteArchive<>)) }.Build().Resolve<IArchive<long>>().Name;
    }

    public static object DecorateStructure() => new Wiring
    {
        Singleton.Of<IArchive<short>, SqliteArchive<short>>(),
        Decorator.Of(typeof(IArchive<>), typeof(CountedArchive<>)),
    }.Build();

    private interface IArchive<T>
    {
        string Name { get; }
    }

    private sealed class SqliteArchive<T> : IArchive<T>
    {
        public string Name => $"a table of {typeof(T).Name}";
    }

    private sealed class CountedArchive<T>(IArchive<T> inner) : IArchive<T>
    {
        public string Name => inner.Name;
    }

    private sealed record Counter(IArchive<int> Numbers);
}
