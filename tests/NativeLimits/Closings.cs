namespace Junctivor.NativeLimits;

internal sealed class Closings
{
    public static object RequireStructure()
    {
        using Container container = new Wiring
        {
            Singleton.Of(typeof(IArchive<>), typeof(SqliteArchive<>)),
            Singleton.Of<Counter>(),
        }.Build();
        return container.Resolve<Counter>().Numbers.Name;
    }

    public static object RequestStructure()
    {
        using Container container = new Wiring { Scoped.Of(typeof(IArchive<>), typeof(SqliteArchive<>)) }.Build();
        using Scope scope = container.StartScope();
        return scope.Resolve<IArchive<char>>().Name;
    }

    public static object RequestPrivateStructure()
    {
        using Container container = new Wiring { Singleton.Of(typeof(IArchive<>), typeof(SqliteArchive<>)) }.Build();
        return container.Resolve<IArchive<Berth>>().Name;
    }

    public static object RequestMarked()
    {
        using Container container = new Wiring { Singleton.Of(typeof(IArchive<>), typeof(SqliteArchive<>)).Marked("north") }.Build();
        return container.Resolve<IArchive<byte>>("north").Name;
    }

    public static object DecorateStructure()
    {
        using Container container = new Wiring
        {
            Singleton.Of<IArchive<short>, SqliteArchive<short>>(),
            Decorator.Of(typeof(IArchive<>), typeof(CountedArchive<>)),
        }.Build();
        return container.Resolve<IArchive<short>>().Name;
    }

    public static object ConstructOverStructure()
    {
        using Container container = new Wiring { Singleton.Of(typeof(IArchive<>), typeof(SqliteArchive<>)) }.Build();
        return container.Construct<Report>("Monday").Text;
    }

    public static object RequireUnfollowed(IReadOnlyList<Registration> registrations)
    {
        Wiring wiring = [Singleton.Of<Ledger>()];
        foreach (Registration registration in registrations)
        {
#pragma warning disable JV901 // That the compiler cannot follow it is what is tried.
            wiring.Add(registration);
#pragma warning restore JV901
        }

        return wiring.Build();
    }

    public static IReadOnlyList<Registration> Archives => [Singleton.Of(typeof(IArchive<>), typeof(SqliteArchive<>))];

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
        public string Name => $"{inner.Name}, counted";
    }

    private sealed record Counter(IArchive<int> Numbers);

    private sealed record Ledger(IArchive<ulong> Numbers);

    private sealed class Report(string day, IArchive<double> depths)
    {
        public string Text => $"{day}: {depths.Name}";
    }

    private readonly record struct Berth(int Number);
}
