using Junctivor.Graph;
using Junctivor.Reading;
using Junctivor.Registering;

namespace Junctivor.Plans;

/// <summary>Makes plans of the nodes of a sound graph, bottom up and without recursion. Safe for use by several threads.</summary>
internal sealed class PlanCompiler(WiringReader reader)
{
    private readonly Lock _gate = new();
    private readonly Dictionary<Node, Plan> _plans = [];
    private readonly Dictionary<Level, int> _slots = [];

    /// <summary>The plan for what somebody gets who asks; the supply must be met.</summary>
    public Plan PlanFor(Supply supply)
    {
        lock (_gate)
        {
            if (supply is Supply.Single single)
            {
                Compile(single.Node);
            }

            return Plan(supply, null);
        }
    }

    private void Compile(Node root)
    {
        Stack<Node> open = new([root]);
        while (open.TryPeek(out Node? node))
        {
            List<Node> needed = _plans.ContainsKey(node)
                ? []
                : [.. reader.Graph.EdgesOf(node).Where(edge => !edge.IsDeferred && !_plans.ContainsKey(edge.To)).Select(edge => edge.To)];
            if (needed.Count > 0)
            {
                needed.ForEach(open.Push);
                continue;
            }

            open.Pop();
            if (!_plans.ContainsKey(node))
            {
                _plans.Add(node, Compose(node));
            }
        }
    }

    private Plan Compose(Node node)
    {
        bool isMade = node.Kind is NodeKind.Class or NodeKind.Factory;
        return new Plan(RecipeOf(node))
        {
            Node = node,
            Level = node.Level,
            Slot = isMade && !node.Level.IsTransient ? NextSlot(node.Level) : Plans.Plan.NoSlot,
            IsOwned = isMade,
            Arguments = [.. reader.Graph.NeedsOf(node).Select(need => new Plan.Argument(need.Parameter.Name, Plan(need.Supply, need.Parameter)))],
        };
    }

    private Recipe RecipeOf(Node node) => reader.MakingOf(node) switch
    {
        Making.OfClass => new ConstructorRecipe(reader.ConstructorOf(node)),
        Making.OfFactory factory => new FactoryRecipe(factory.Call),
        Making.OfValue value => new ConstantRecipe(value.Value),
        _ => new IncomingRecipe(node),
    };

    private Plan Plan(Supply supply, Parameter? parameter) => supply switch
    {
        Supply.Single single => _plans[single.Node],
        Supply.Deferred deferred => new Plan(Wrapper(deferred)),
        Supply.Nothing when parameter is not null => new Plan(new ConstantRecipe(reader.DefaultOf(parameter))),
        _ => throw new InvalidOperationException($"Only a sound graph is compiled, and this is not met: {supply}."),
    };

    private DeferredRecipe Wrapper(Supply.Deferred deferred) =>
        new(deferred.Form, reader.WrappersOf(deferred.Wanted), new Lazy<Plan>(() => PlanFor(deferred.Inner)));

    private int NextSlot(Level level) => _slots[level] = _slots.GetValueOrDefault(level, -1) + 1;
}
