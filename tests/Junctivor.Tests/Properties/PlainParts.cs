namespace Junctivor.Tests.Properties;

/// <summary>Services that nobody sees being created, as their constructors only keep what they are given: in every form that a parameter
/// can have.</summary>
internal static class PlainParts
{
    public static Type Definition => typeof(Plain<,,,>);

    public static Type DecoratorDefinition => typeof(PlainlyWrapped<>);

    private sealed class Plain<TId, T1, T2, T3>(
        Journal journal, in T1 one, T2 two, ref readonly T3 three, long length, Weather weather = Weather.Storm, int? depth = null,
        Position position = default)
        : IPart<TId>, IShown, IDisposable
    {
        private readonly Journal _journal = journal;
        private readonly T1 _one = one;
        private readonly T2 _two = two;
        private readonly T3 _three = three;
        private readonly long _length = length;
        private readonly Weather _weather = weather;
        private readonly int? _depth = depth;
        private readonly Position _position = position;
        private readonly List<string> _log = [];

        public IEnumerable<object?> Shown => [_one, _two, _three, _length, _weather, _depth, _position, _log.Count];

        public void Touch() => _log.Add("touched");

        public void Dispose() => _journal.End(typeof(TId));
    }

    private sealed class PlainlyWrapped<TId>(IPart<TId> inner) : IPart<TId>, IShown
    {
        public IEnumerable<object?> Shown => [inner];

        public void Touch() => inner.Touch();
    }
}
