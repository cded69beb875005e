using static Junctivor.Model.Specification;

namespace Junctivor.Model;

/// <summary>Runs a sound wiring as its documentation says, with objects that only stand for the real ones.</summary>
public sealed class ModelRun(Specification specification, Journal journal) : IRun
{
    private readonly Dictionary<Entry, Thing> _values = [];
    private readonly ModelScope _root = new(Life.Singleton, null, []);
    private int _created;

    public object Root => _root;

    public IEnumerable<int> Promised => Incoming().Select(entry => entry.Number).Distinct();

    private IEnumerable<Entry> Incoming() =>
        specification.Entries.Where(entry => entry.Making == Making.Incoming && specification.IsPromised(entry));

    public object StartShift(object outer) => new ModelScope(Life.Shift, (ModelScope)outer, []);

    public object StartScope(object outer, bool hasValues)
    {
        Dictionary<int, Thing> given = [];
        ModelScope scope = new(Life.Scoped, (ModelScope)outer, []);
        foreach (Entry entry in hasValues ? Incoming() : [])
        {
            // One value for all entries that declare it; the last one that owns it ends it, once.
            Thing value = given.TryGetValue(entry.Number, out Thing? known)
                ? known
                : given[entry.Number] = new Thing($"given I{entry.Number}", $"given I{entry.Number}", 0, 0, []);
            scope.Incoming[entry] = value;
            if (entry.IsOwnedOtherwise && !scope.Owned.Contains(value))
            {
                scope.Owned.Add(value);
            }
        }

        return scope;
    }

    public void End(object scope)
    {
        ModelScope ending = (ModelScope)scope;
        ending.HasEnded = true;
        if (ending == _root)
        {
            ending.Owned.InsertRange(
                0, specification.Entries.Where(
                    entry => entry is { Making: Making.Value, IsOwnedOtherwise: true } && specification.Counts(entry)).Select(ValueOf));
        }

        foreach (Thing thing in ending.Owned.AsEnumerable().Reverse().OrderByDescending(thing => thing.Created))
        {
            journal.End(thing.Ends, thing.Number);
        }

        ending.Owned.Clear();
    }

    public object Resolve(object scope, int number, bool isAlso, string? mark)
    {
        if (IsEnded((ModelScope)scope))
        {
            throw new Refusal("ended");
        }

        Supply supply = specification.Ask(new Key(number, isAlso, mark), null);
        return supply is Supply.Bad bad ? throw new Refusal(bad.Code) : ResolveFrom(supply, (ModelScope)scope)!;
    }

    public Shown Show(object thing) => thing switch
    {
        Thing made => new Shown.Part(made.Name, made.Needs),
        List<(string? Mark, object? Value)> { Count: > 0 } keyed when keyed[0].Mark is not null =>
            new Shown.Keyed([.. keyed.Select(each => (each.Mark!, each.Value!))]),
        List<(string? Mark, object? Value)> list => new Shown.List([.. list.Select(each => each.Value!)]),
        LaterThing { Form: Form.Fresh } fresh => new Shown.Fresh(use =>
        {
            if (fresh.Home.HasEnded)
            {
                throw new Refusal("ended");
            }

            object inner = StartScope(fresh.Home, hasValues: false);
            try
            {
                use(ResolveFrom(fresh.Inner, (ModelScope)inner)!);
            }
            finally
            {
                End(inner);
            }
        }),
        LaterThing later => new Shown.Later(() => later.Form == Form.Lazy && later.Value is not null ? later.Value
            : later.Home.HasEnded ? throw new Refusal("ended")
            : later.Value = ResolveFrom(later.Inner, later.Home)!),
        _ => throw new InvalidOperationException($"{thing}"),
    };

    /// <summary>What is created for it and not kept by anything shared belongs to whoever was asked; if it fails, that ends at
    /// once.</summary>
    private object? ResolveFrom(Supply supply, ModelScope asked)
    {
        if (IsEnded(asked))
        {
            throw new Refusal("ended");
        }

        List<Thing> unowned = [];
        try
        {
            object? result = Get(supply, asked, unowned);
            asked.Owned.AddRange(unowned);
            return result;
        }
        catch (Refusal)
        {
            foreach (Thing thing in unowned.AsEnumerable().Reverse())
            {
                journal.End(thing.Ends, thing.Number);
            }

            throw;
        }
    }

    private bool IsEnded(ModelScope scope) => scope.HasEnded || _root.HasEnded;

    private object? Get(Supply supply, ModelScope asked, List<Thing> unowned) => supply switch
    {
        Supply.One one => Get(one.Node, asked, unowned),
        Supply.Several several => several.All.Select(each => (each.Mark, Get(each.Supply, asked, unowned))).ToList(),
        Supply.Later later => new LaterThing(later.Form, later.Inner, asked),
        _ => null,
    };

    private object? Get(Node node, ModelScope asked, List<Thing> unowned)
    {
        Entry entry = node.Entry;
        if (entry.Making == Making.Alias)
        {
            return Get(specification.NeedsOf(node)[0], asked, unowned);
        }

        Life life = specification.LifeOf(node);
        ModelScope home = HomeOf(asked, life) ?? throw new Refusal(life == Life.Shift ? "JV305" : "JV302");
        if (entry.Making == Making.Value)
        {
            return ValueOf(entry);
        }

        if (entry.Making == Making.Incoming)
        {
            for (ModelScope? holder = home; holder is not null; holder = holder.Outer)
            {
                if (holder.Incoming.TryGetValue(entry, out Thing? value))
                {
                    return value;
                }
            }

            throw new Refusal("JV105");
        }

        if (life != Life.Transient && home.Kept.TryGetValue(node, out Thing? kept))
        {
            return kept;
        }

        if (home.HasEnded)
        {
            throw new Refusal("ended");
        }

        int before = unowned.Count;
        object?[] needs = [.. specification.NeedsOf(node).Select(need => Get(need, home, unowned))];
        Thing thing = Make(entry, needs);
        if (!entry.IsOwnedOtherwise && entry.Making is not Making.Class)
        {
            unowned.Add(thing);
        }

        if (life != Life.Transient)
        {
            home.Kept.Add(node, thing);
            home.Owned.AddRange(unowned[before..]);
            unowned.RemoveRange(before, unowned.Count - before);
        }

        return thing;
    }

    private Thing Make(Entry entry, object?[] needs)
    {
        string name = $"I{entry.Number}";
        int number = entry.Making is Making.Plain or Making.PlainDecorator ? 0 : journal.Make(name, entry);
        return new Thing(
            number == 0 ? name : $"{name}.{number}", name, number, ++_created, entry.Making == Making.Factory ? [.. needs, null] : needs);
    }

    private Thing ValueOf(Entry entry)
    {
        if (!_values.TryGetValue(entry, out Thing? value))
        {
            _values.Add(entry, value = new Thing($"given I{entry.Number}", $"given I{entry.Number}", 0, 0, []));
        }

        return value;
    }

    private ModelScope? HomeOf(ModelScope asked, Life life) => life switch
    {
        Life.Singleton => _root,
        Life.Transient => asked,
        Life.Scoped => asked.Life == Life.Scoped ? asked : null,
        _ => asked.Life == Life.Shift ? asked : asked.Outer is null ? null : HomeOf(asked.Outer, life),
    };

    private sealed class ModelScope(Life life, ModelScope? outer, Dictionary<Entry, Thing> incoming)
    {
        public Life Life => life;

        public ModelScope? Outer => outer;

        public Dictionary<Entry, Thing> Incoming => incoming;

        public Dictionary<Node, Thing> Kept { get; } = [];

        public List<Thing> Owned { get; } = [];

        public bool HasEnded { get; set; }
    }

    private sealed class Thing(string name, string ends, int number, int created, object?[] needs)
    {
        public string Name => name;

        public string Ends => ends;

        public int Number => number;

        public int Created => created;

        public object?[] Needs => needs;
    }

    private sealed class LaterThing(Form form, Supply inner, ModelScope home)
    {
        public Form Form => form;

        public Supply Inner => inner;

        public ModelScope Home => home;

        public object? Value { get; set; }
    }
}
