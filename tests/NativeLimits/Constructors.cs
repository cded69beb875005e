namespace Junctivor.NativeLimits;

/// <summary>Constructors that code of the program cannot call as it calls others.</summary>
public static class Constructors
{
    public static object CallAll()
    {
        using Container container = new Wiring
        {
            Singleton.Value("Heron"),
            Singleton.Of<Tide>(),
            Transient.Of<Private>(),
            Transient.Of<Filled>(),
            Transient.Of<Several>(),
            Transient.Of<Optional>(),
            Transient.Of<Outdated>(),
            Transient.Of<Generic<Tide>>(),
            Transient.Of<Lines>(),
        }.Build();
        return string.Join(
            ", ",
            container.Resolve<Private>().Name,
            container.Resolve<Filled>().Name,
            container.Resolve<Several>().Name,
            container.Resolve<Optional>().Name,
            container.Resolve<Outdated>().Name,
            container.Resolve<Generic<Tide>>().Name,
            container.Resolve<Lines>().Count);
    }

    private sealed class Tide;

    private sealed record Private(string Name, Tide Tide);

    public sealed class Filled
    {
        [Inject]
        public required string Name { get; set; }
    }

    public sealed class Several
    {
        public Several(string name, int count) => Name = $"{name} {count}";

        [Inject]
        public Several(string name) => Name = $"{name} alone";

        public string Name { get; }
    }

    public sealed class Optional(int count = 7, DateTime when = default, string? other = null, decimal? depth = null)
    {
        public string Name => $"{count} {when.Year} {other} {depth is null}";
    }

    public sealed class Outdated
    {
        [Obsolete("Only the container calls it.", error: true)]
        public Outdated(string name) => Name = $"old {name}";

        public string Name { get; }
    }

    private sealed record Generic<T>(string Name, T Other);

    public sealed record Lines(IReadOnlyList<string> Names, params string[] Others)
    {
        public int Count => Names.Count + Others.Length;
    }
}
