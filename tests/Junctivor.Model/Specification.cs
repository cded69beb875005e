namespace Junctivor.Model;

/// <summary>
/// What a wiring means, written down once more as plainly as can be: slow, without anything of the library, and by its documentation. It
/// says which services are served by whom, and which faults there are.
/// </summary>
public sealed class Specification
{
    private readonly List<Entry> _entries;
    private readonly Registrations _registrations;
    private readonly Dictionary<Key, List<Offer>> _offers = [];

    public Specification(IReadOnlyList<Entry> entries)
    {
        _entries = [.. entries];
        _registrations = new Registrations(entries);
        Arrange();
        Faults = FindFaults();
    }

    /// <summary>A service: its number, whether it is the other interface, and the mark.</summary>
    public readonly record struct Key(int Number, bool IsAlso, string? Mark);

    /// <summary>One way to get instances: an entry, or a decorator around one under a service.</summary>
    public sealed record Node(Entry Entry, Node? Inner = null, Key? Service = null);

    public IReadOnlyList<Entry> Entries => _entries;

    /// <summary>The codes of the faults, each once.</summary>
    public SortedSet<string> Faults { get; }

    private sealed record Offer(Entry Entry, int Position);

    /// <summary>What meets something that is requested.</summary>
    public abstract record Supply
    {
        public sealed record One(Node Node) : Supply;

        public sealed record Several(IReadOnlyList<(string? Mark, Supply Supply)> All, bool IsKeyed) : Supply;

        public sealed record Later(Form Form, Supply Inner) : Supply;

        public sealed record Bad(string Code) : Supply;

        public sealed record Absent : Supply;
    }

    /// <summary>What somebody gets who requires exactly one; a consumer of null asks from outside.</summary>
    public Supply Ask(Key key, Type? consumer)
    {
        List<Entry> found = Serving(key, consumer);
        found = found.Count > 1 && found.Any(entry => _registrations.ConsumerOf(entry) is not null)
            ? [.. found.Where(entry => _registrations.ConsumerOf(entry) is not null)] : found;
        found = found.Count > 1 && found.Any(entry => entry.Ending == Ending.FirstChoice)
            ? [.. found.Where(entry => entry.Ending == Ending.FirstChoice)] : found;
        return found.Count switch
        {
            0 => new Supply.Bad("JV101"),
            1 => new Supply.One(Front(found[0], key)),
            _ => TooMany(found),
        };
    }

    /// <summary>Where one of them should have replaced the others, that is the fault.</summary>
    private Supply.Bad TooMany(IReadOnlyList<Entry> found) =>
        new(found.Any(_replacingNothing.Contains) ? "JV203" : "JV202");

    /// <summary>What the parameters of a node get, in order.</summary>
    public IReadOnlyList<Supply> NeedsOf(Node node)
    {
        Entry entry = node.Entry;
        Type? consumer = Registrations.ClassOf(entry) ?? (entry.Making == Making.Factory ? Registrations.Part(entry.Number) : null);
        return entry.Making switch
        {
            Making.Alias => [Ask(TargetOf(entry), null)],
            Making.Decorator or Making.PlainDecorator when TakesTwo(entry) => [Ask(entry.One, consumer), Ask(entry.One, consumer)],
            Making.Decorator or Making.PlainDecorator => [new Supply.One(node.Inner!), Ask(entry.One, consumer)],
            Making.Value or Making.Incoming => [],
            Making.Factory => [Ask(entry.One, consumer)],
            Making.ByMark => [Ask(entry.One, consumer, "a"), Ask(entry.Two, consumer)],
            Making.Without => [OrAbsent(Ask(entry.One, consumer)), Ask(entry.Two, consumer)],
            _ => [Ask(entry.One, consumer), Ask(entry.Two, consumer)],
        };
    }

    /// <summary>How long its instances live: a decorator as long as what it wraps, an alias as long as its target.</summary>
    public Life LifeOf(Node node)
    {
        if (node.Inner is not null)
        {
            return LifeOf(node.Inner);
        }

        HashSet<Entry> met = [];
        Entry entry = node.Entry;
        while (entry.Making == Making.Alias && met.Add(entry) && Serving(TargetOf(entry), null) is [Entry only])
        {
            entry = only;
        }

        return entry.Life;
    }

    /// <summary>Whether an entry serves anything after all.</summary>
    public bool Counts(Entry entry) => _offers.Values.Any(offers => offers.Any(offer => offer.Entry == entry));

    /// <summary>Whether the value of an entry may be supplied as its part, without a mark.</summary>
    public bool IsPromised(Entry incoming) =>
        _offers.TryGetValue(new Key(incoming.Number, false, null), out List<Offer>? offers) && offers.Any(offer => offer.Entry == incoming);

    /// <summary>A decorator that takes its own service twice does not say what it wraps.</summary>
    private static bool TakesTwo(Entry decorator) =>
        decorator.One.Number == decorator.Number && decorator.One.Form == (decorator.IsAlso ? Form.Also : Form.Part);

    private static Supply OrAbsent(Supply supply) => Contains(supply, "JV101") ? new Supply.Absent() : supply;

    private static bool Contains(Supply supply, string code) => supply switch
    {
        Supply.Bad bad => bad.Code == code,
        Supply.Later later => Contains(later.Inner, code),
        Supply.Several several => several.All.Any(each => Contains(each.Supply, code)),
        _ => false,
    };

    private Supply Ask(Need need, Type? consumer, string? mark = null)
    {
        Key key = new(need.Number, need.Form == Form.Also, mark);
        return need.Form switch
        {
            Form.Nothing when mark is null => new Supply.Absent(),
            Form.Nothing => new Supply.Bad("JV101"),
            Form.Lazy or Form.Func or Form.Fresh => new Supply.Later(need.Form, Ask(key, consumer)),
            Form.List =>
                new Supply.Several(
                    [.. Serving(key, consumer).Select(entry => ((string?)null, (Supply)new Supply.One(Front(entry, key))))],
                    IsKeyed: false),
            Form.Keyed when mark is null => new Supply.Several([.. ByMark(key, consumer)], IsKeyed: true),
            Form.Keyed => new Supply.Bad("JV101"),
            _ => Ask(key, consumer),
        };
    }

    private IEnumerable<(string? Mark, Supply Supply)> ByMark(Key key, Type? consumer)
    {
        IEnumerable<string> marks = _offers
            .Where(pair => pair.Key.Number == key.Number && pair.Key.IsAlso == key.IsAlso && pair.Key.Mark is not null)
            .SelectMany(pair => pair.Value.Select(offer => (pair.Key.Mark, offer.Position)))
            .OrderBy(pair => pair.Position)
            .Select(pair => pair.Mark!)
            .Distinct();
        foreach (string mark in marks)
        {
            Key marked = key with { Mark = mark };
            List<Entry> serving = Serving(marked, consumer);
            switch (serving)
            {
                case []:
                    break;
                case [Entry only]:
                    yield return (mark, new Supply.One(Front(only, marked)));
                    break;
                default:
                    yield return (mark, TooMany(serving));
                    break;
            }
        }
    }

    /// <summary>All that registrations provide it, for a consumer, in the order of a list.</summary>
    private List<Entry> Serving(Key key, Type? consumer) => !_offers.TryGetValue(key, out List<Offer>? offers) ? [] :
    [
        .. offers
            .OrderBy(offer => offer.Position)
            .ThenBy(offer => _entries.IndexOf(offer.Entry))
            .Select(offer => offer.Entry)
            .Where(entry => _registrations.ConsumerOf(entry) is not { } only || only == consumer),
    ];

    private Node Front(Entry entry, Key key)
    {
        Node node = new(entry);
        foreach (Entry decorator in _entries.Where(
            each => each.IsDecorator
                && each.Number == key.Number
                && each.IsAlso == key.IsAlso
                && (each.Mark is null || each.Mark == key.Mark)))
        {
            node = new Node(decorator, node, key);
        }

        return node;
    }

    private static Key TargetOf(Entry alias) => new(alias.Number, false, alias.TargetMark);

    private static IEnumerable<Key> Served(Entry entry)
    {
        if (entry.Making != Making.Alias)
        {
            yield return new Key(entry.Number, false, entry.Mark);
        }

        if (entry.IsAlso)
        {
            yield return new Key(entry.Number, true, entry.Mark);
        }
    }

    private List<Offer> Offers(Key key)
    {
        if (!_offers.TryGetValue(key, out List<Offer>? offers))
        {
            _offers.Add(key, offers = []);
        }

        return offers;
    }

    private readonly List<Entry> _replacingNothing = [];

    private void Arrange()
    {
        for (int place = 0; place < _entries.Count; place++)
        {
            Entry entry = _entries[place];
            if (entry.IsDecorator || entry.Ending == Ending.IfMissing)
            {
                continue;
            }

            bool hasReplaced = false;
            foreach (Key key in Served(entry))
            {
                List<Offer> replaced = entry.Ending == Ending.Replacing
                    ? [.. Offers(key).Where(offer => _registrations.ConsumerOf(offer.Entry) == _registrations.ConsumerOf(entry))] : [];
                Offers(key).RemoveAll(replaced.Contains);
                Offers(key).Add(new Offer(entry, replaced.Count > 0 ? replaced.Min(offer => offer.Position) : place));
                hasReplaced |= replaced.Count > 0;
            }

            if (entry.Ending == Ending.Replacing && !hasReplaced)
            {
                _replacingNothing.Add(entry);
            }
        }

        List<(Key, Entry)> missing = [.. _entries.Where(entry => !entry.IsDecorator && entry.Ending == Ending.IfMissing)
            .SelectMany(entry => Served(entry).Where(key => Offers(key).Count == 0).Select(key => (key, entry)))];
        foreach ((Key key, Entry entry) in missing)
        {
            Offers(key).Add(new Offer(entry, _entries.IndexOf(entry)));
        }
    }

    private SortedSet<string> FindFaults()
    {
        SortedSet<string> faults = new(StringComparer.Ordinal);
        if (_replacingNothing.Count > 0)
        {
            faults.Add("JV203");
        }

        if (_entries.Any(decorator => decorator.IsDecorator && TakesTwo(decorator))
            || _entries.Any(
                decorator => decorator.IsDecorator
                    && !_offers.Any(
                        pair => pair.Value.Count > 0
                            && pair.Key.Number == decorator.Number
                            && pair.Key.IsAlso == decorator.IsAlso
                            && (decorator.Mark is null || decorator.Mark == pair.Key.Mark))))
        {
            faults.Add("JV205");
        }

        HashSet<Node> nodes = AllNodes();
        foreach (Supply supply in nodes.SelectMany(NeedsOf))
        {
            foreach (string code in new[] { "JV101", "JV202" }.Where(code => Contains(supply, code)))
            {
                faults.Add(code);
            }
        }

        if (nodes.Any(node => Reached(NeedsOf(node).SelectMany(AtOnce), next => NeedsOf(next).SelectMany(AtOnce)).Contains(node)))
        {
            faults.Add("JV201");
        }

        foreach (Node holder in nodes.Where(node => LevelOf(node) is Life.Singleton or Life.Shift))
        {
            if (Held(holder).Any(held => LevelOf(held) != Life.Transient && LevelOf(held) > LevelOf(holder)))
            {
                faults.Add("JV301");
            }

            if (LevelOf(holder) == Life.Singleton && ReachesShiftInFreshScope(holder))
            {
                faults.Add("JV305");
            }
        }

        return faults;
    }

    /// <summary>For a rule, an alias is as short-lived as a transient: what it stands for is looked at.</summary>
    private Life LevelOf(Node node) => node.Inner is null ? node.Entry.Life : LifeOf(node);

    /// <summary>What counts, bare and with its decorators, and all that these need.</summary>
    private HashSet<Node> AllNodes()
    {
        IEnumerable<Node> start =
            _offers.SelectMany(pair => pair.Value.SelectMany(offer => new[] { new Node(offer.Entry), Front(offer.Entry, pair.Key) }));
        return Reached(start, node => NeedsOf(node).SelectMany(All));
    }

    /// <summary>What a holder holds: itself, through transients, and through what it may call later; not what it reaches in scopes of their
    /// own.</summary>
    private HashSet<Node> Held(Node holder) => Reached(
        NeedsOf(holder).SelectMany(Kept), node => node != holder && LevelOf(node) == Life.Transient ? NeedsOf(node).SelectMany(Kept) : []);

    private bool ReachesShiftInFreshScope(Node holder)
    {
        HashSet<(Node, bool)> met = [];
        Stack<(Node Node, bool IsFresh)> open = new([(holder, false)]);
        while (open.TryPop(out (Node Node, bool IsFresh) next))
        {
            if (next.IsFresh && LevelOf(next.Node) == Life.Shift)
            {
                return true;
            }

            bool goesOn = next == (holder, false)
                || LevelOf(next.Node) == Life.Transient
                || (next.IsFresh && LevelOf(next.Node) == Life.Scoped);
            if (goesOn && met.Add(next))
            {
                foreach (Supply supply in NeedsOf(next.Node))
                {
                    foreach (Node kept in Kept(supply))
                    {
                        open.Push((kept, next.IsFresh));
                    }

                    foreach (Node kept in supply is Supply.Later { Form: Form.Fresh } fresh ? Kept(fresh.Inner) : [])
                    {
                        open.Push((kept, true));
                    }
                }
            }
        }

        return false;
    }

    private static HashSet<Node> Reached(IEnumerable<Node> start, Func<Node, IEnumerable<Node>> next)
    {
        HashSet<Node> met = [];
        Stack<Node> open = new(start);
        while (open.TryPop(out Node? node))
        {
            if (met.Add(node))
            {
                foreach (Node further in next(node))
                {
                    open.Push(further);
                }
            }
        }

        return met;
    }

    private static IEnumerable<Node> AtOnce(Supply supply) => supply is Supply.Later ? [] : All(supply);

    private static IEnumerable<Node> Kept(Supply supply) => supply is Supply.Later { Form: Form.Fresh } ? [] : All(supply);

    private static IEnumerable<Node> All(Supply supply) => supply switch
    {
        Supply.One one => [one.Node],
        Supply.Several several => several.All.SelectMany(each => All(each.Supply)),
        Supply.Later later => All(later.Inner),
        _ => [],
    };
}
