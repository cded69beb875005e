using System.Collections.Concurrent;
using Junctivor.Checks;
using Junctivor.Graph;
using Junctivor.Reading;
using Junctivor.Runtime;

namespace Junctivor.Plans;

/// <summary>Finds the plan for what somebody asks for at run time. Safe for use by several threads.</summary>
internal sealed class PlanBook(WiringReader reader)
{
    private readonly PlanCompiler _compiler = new(reader);
    private readonly ConcurrentDictionary<Type, Plan?> _plans = new();

    public TypeCatalog Types => reader.Types;

    public ServiceGraph Graph => reader.Graph;

    /// <summary>The plan, or null where nobody registers the service.</summary>
    /// <exception cref="WiringException">Several registrations serve it.</exception>
    public Plan? Find(Type service) => _plans.GetOrAdd(service, Look);

    /// <exception cref="WiringException">None, or several, registrations serve it.</exception>
    public Plan Require(Type service) =>
        Find(service) ?? throw WiringException.AtRunTime(MissingRule.AskedFor(Graph, new ServiceId(Types[service])));

    /// <summary>Takes what a scope is started with.</summary>
    /// <exception cref="WiringException">The wiring does not promise it.</exception>
    public HandedOver TakeValues(Level level, ReadOnlySpan<Incoming> incoming)
    {
        HandedOver values = HandedOver.Take(Types, Graph, level, incoming, out IReadOnlyList<Fault> faults);
        return faults.Count == 0 ? values : throw WiringException.AtRunTime(faults);
    }

    private Plan? Look(Type service)
    {
        Supply supply = Graph.SupplyFor(new ServiceId(Types[service]));
        return supply.Core switch
        {
            Supply.Missing => null,
            Supply.Ambiguous ambiguous => throw WiringException.AtRunTime(AmbiguousRule.AskedFor(Graph, ambiguous)),
            _ => _compiler.PlanFor(supply),
        };
    }
}
