using Junctivor.Checks;
using Junctivor.Graph;
using Junctivor.Reading;

namespace Junctivor.Runtime;

/// <summary>The values that a container or a scope was started with, by the registrations that promise them.</summary>
internal sealed class HandedOver
{
    public static readonly HandedOver Nothing = new([]);

    private readonly (Node Promise, object Value)[] _values;

    private HandedOver((Node Promise, object Value)[] values) => _values = values;

    /// <summary>Takes what was handed over, and says what of it nobody promised.</summary>
    public static HandedOver Take(
        TypeCatalog types, ServiceGraph graph, Level level, ReadOnlySpan<Incoming> incoming, out IReadOnlyList<Fault> faults)
    {
        List<ServiceId> services = [];
        List<(Node Promise, object Value)> values = [];
        foreach (Incoming value in incoming)
        {
            ServiceId service = new(types[value.Service]);
            services.Add(service);
            values.AddRange(graph.Candidates(service)
                .Where(node => node.Kind == NodeKind.Incoming && node.Level == level)
                .Select(promise => (promise, value.Given)));
        }

        faults = services.Count == 0 ? [] : [.. IncomingFaults.AtStart(graph, level, services)];
        return values.Count == 0 ? Nothing : new HandedOver([.. values]);
    }

    public bool Has(Node promise) => Find(promise) is not null;

    public object? Find(Node promise)
    {
        foreach ((Node known, object value) in _values)
        {
            if (known == promise)
            {
                return value;
            }
        }

        return null;
    }
}
