using Junctivor.Checks;
using Junctivor.Graph;
using Junctivor.Reading;
using Junctivor.Registering;

namespace Junctivor.Runtime;

/// <summary>The values that a container or a scope was started with, by the registrations that declare them.</summary>
internal sealed class SuppliedValues
{
    public static readonly SuppliedValues Nothing = new([]);

    private (Node Declaration, object Value)[] _values;

    private SuppliedValues((Node Declaration, object Value)[] values) => _values = values;

    /// <summary>The values that end with the container or scope.</summary>
    public IEnumerable<object> Owned =>
        _values.Length == 0 ? [] : FindOwned();

    /// <summary>Whether some values end with the container or scope.</summary>
    public bool OwnsAny { get; private init; }

    private IEnumerable<object> FindOwned() =>
        _values.Where(each => each.Declaration.Options.IsOwned == true).Select(each => each.Value);

    /// <summary>Takes what was supplied for a scope, where all of it is declared and nothing comes twice; else returns null.</summary>
    /// <param name="incoming">The values.</param>
    /// <param name="level">The level of the scope.</param>
    /// <param name="declared">Knows the registrations that declare one.</param>
    public static SuppliedValues? TryTake(ReadOnlySpan<Incoming> incoming, Level level, DeclaredValues declared)
    {
        (Node Declaration, object Value)[] values = new (Node, object)[incoming.Length];
        int count = 0;
        bool ownsAny = false;
        for (int number = 0; number < incoming.Length; number++)
        {
            Incoming value = NotNull(incoming[number]);
            Node[] declarations = declared.DeclarationsOf(level, value);
            if (declarations.Length == 0 || IsAmong(incoming[..number], value))
            {
                return null;
            }

            foreach (Node declaration in declarations)
            {
                if (count == values.Length)
                {
                    Array.Resize(ref values, count + declarations.Length);
                }

                values[count++] = (declaration, value.Content);
                ownsAny |= declaration.Options.IsOwned == true;
            }
        }

        return new SuppliedValues(count == values.Length ? values : values[..count]) { OwnsAny = ownsAny };
    }

    private static Incoming NotNull(Incoming? incoming) => incoming switch
    {
        null => throw new ArgumentNullException(
            nameof(incoming), "One of the supplied values is null: omit values that do not exist."),
        { IsWholeHost: true } => throw new ArgumentException(
            "Incoming.FromHost supplies values when a container is built: pass it to Build, not to a scope.", nameof(incoming)),
        _ => incoming,
    };

    private static bool IsAmong(ReadOnlySpan<Incoming> earlier, Incoming value)
    {
        foreach (Incoming other in earlier)
        {
            if (other.Service == value.Service && Equals(other.Mark, value.Mark))
            {
                return true;
            }
        }

        return false;
    }

    /// <summary>Takes what was supplied, and says what of it nobody declared.</summary>
    public static SuppliedValues Take(
        TypeCatalog types, ServiceGraph graph, Level level, ReadOnlySpan<Incoming> incoming, out IReadOnlyList<Fault> faults)
    {
        if (!incoming.IsEmpty)
        {
            return TakeSome(types, graph, level, incoming, out faults);
        }

        faults = [];
        return NothingFor(level);
    }

    private static SuppliedValues TakeSome(
        TypeCatalog types, ServiceGraph graph, Level level, ReadOnlySpan<Incoming> incoming, out IReadOnlyList<Fault> faults)
    {
        List<ServiceId> services = [];
        List<(Node Declaration, object Value)> values = [];
        foreach (Incoming value in incoming)
        {
            ServiceId service = new(types[NotNull(value).Service], types.MarkOf(value.Mark));
            services.Add(service);
            values.AddRange(
                graph.IncomingFor(service)
                    .Where(node => node.Level == level && !node.Has(RegistrationFlags.SuppliedLater))
                    .Select(declaration => (declaration, value.Content)));
        }

        faults = [.. NotDeclaredFaults.AtStart(graph, level, services)];
        return values.Count == 0 ? NothingFor(level) : new SuppliedValues([.. values]);
    }

    /// <summary>A container may be handed something later; a scope may not.</summary>
    private static SuppliedValues NothingFor(Level level) => level == Level.Singleton ? new SuppliedValues([]) : Nothing;

    public bool Has(Node declaration) => FindSupplied(declaration) is not null;

    public object? Find(Node declaration)
    {
        object? supplied = FindSupplied(declaration);
        return supplied is DeferredValue deferred ? deferred.Get() : supplied;
    }

    private object? FindSupplied(Node declaration)
    {
        foreach ((Node known, object value) in Volatile.Read(ref _values))
        {
            if (known == declaration)
            {
                return value;
            }
        }

        return null;
    }

    /// <summary>Adds a value that came later; false if it is there already.</summary>
    public bool TryAdd(Node declaration, object value)
    {
        while (!Has(declaration))
        {
            (Node Declaration, object Value)[] known = Volatile.Read(ref _values);
            if (!known.Any(each => each.Declaration == declaration)
                && Interlocked.CompareExchange(ref _values, [.. known, (declaration, value)], known) == known)
            {
                return true;
            }
        }

        return false;
    }
}
