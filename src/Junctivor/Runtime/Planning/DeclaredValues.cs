using System.Collections.Concurrent;
using Junctivor.Checks;
using Junctivor.Graph;
using Junctivor.Reading;

namespace Junctivor.Runtime;

/// <summary>Finds the declarations of the values that a container or scope is started with. Safe for use by several threads.</summary>
/// <param name="reader">The wiring.</param>
/// <param name="gate">Guards it.</param>
internal sealed class DeclaredValues(WiringReader reader, Lock gate)
{
    private readonly ConcurrentDictionary<DeclaredValue, Node[]> _declarations = new();

    /// <summary>Takes what a container or scope is started with.</summary>
    /// <exception cref="ResolveException">The wiring does not declare it.</exception>
    public SuppliedValues Take(Level level, ReadOnlySpan<Incoming> incoming)
    {
        if (SuppliedValues.TryTake(incoming, level, this) is { } values)
        {
            return values;
        }

        lock (gate)
        {
            SuppliedValues.Take(reader.Types, reader.Graph, level, incoming, out IReadOnlyList<Fault> faults);
            throw new ResolveException(faults);
        }
    }

    /// <summary>The registrations that declare a value when something of a level starts.</summary>
    public Node[] DeclarationsOf(Level level, Incoming value)
    {
        DeclaredValue wanted = new(level, value.Service, value.Mark);
        return _declarations.TryGetValue(wanted, out Node[]? known) ? known : _declarations.GetOrAdd(wanted, Look);
    }

    private Node[] Look(DeclaredValue wanted)
    {
        lock (gate)
        {
            return [.. reader.Graph
                .IncomingFor(new ServiceId(reader.Types[wanted.Service], reader.Types.MarkOf(wanted.Mark)))
                .Where(node => node.Level == wanted.Level && !node.Has(RegistrationFlags.SuppliedLater))];
        }
    }

    private readonly record struct DeclaredValue(Level Level, Type Service, object? Mark);
}
