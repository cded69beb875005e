using Junctivor.Graph;
using Junctivor.Reading;
using Junctivor.Registering;

namespace Junctivor.Runtime;

/// <summary>Creates plans of the nodes of a sound graph, bottom up and without recursion. The caller holds the gate of the
/// <see cref="PlanCache"/>.</summary>
internal sealed class PlanCompiler(WiringReader reader, PlanCache plans, SharedNodes? shared)
{
    /// <summary>By the number of the node.</summary>
    private Plan?[] _plans = [];

    private int _singletonSlots;
    private int _scopedSlots;
    private Dictionary<Level, int>? _slotsOfUsers;

    /// <summary>The plan for a binding, in which nothing may be missing.</summary>
    public Plan PlanFor(Binding binding)
    {
        if (binding is Binding.Single single)
        {
            Compile(single.Node);
        }
        else
        {
            foreach (Node node in NodesNow(binding))
            {
                Compile(node);
            }
        }

        return Compose(binding);
    }

    /// <summary>The plan for a node that nothing resolves by a service.</summary>
    public Plan PlanFor(Node node)
    {
        Compile(node);
        return Known(node)!;
    }

    private void Compile(Node root)
    {
        List<Node> open = new() { root };
        while (open.Count > 0)
        {
            Node node = open[open.Count - 1];
            int before = open.Count;
            if (Known(node) is null && shared?.IsShared(node) != true)
            {
                PushUnknown(node, open);
            }

            if (open.Count == before)
            {
                open.RemoveAt(open.Count - 1);
                if (Known(node) is null)
                {
                    Keep(node, Compose(node));
                }
            }
        }
    }

    /// <summary>Pushes what a node needs at once, and is not compiled yet.</summary>
    private void PushUnknown(Node node, List<Node> open)
    {
        foreach (Binding binding in node.Bindings!)
        {
            if (binding is Binding.Single single)
            {
                Push(single.Node);
            }
            else
            {
                foreach (Node next in NodesNow(binding))
                {
                    Push(next);
                }
            }
        }

        void Push(Node next)
        {
            if (Known(next) is null)
            {
                open.Add(next);
            }
        }
    }

    private Plan? Known(Node node) => node.Number < _plans.Length ? _plans[node.Number] : null;

    private void Keep(Node node, Plan plan)
    {
        if (node.Number >= _plans.Length)
        {
            Array.Resize(ref _plans, Math.Max(reader.Graph.Nodes.Count, node.Number + 1));
        }

        _plans[node.Number] = plan;
    }

    /// <summary>What must be there when the supply is resolved; not what a wrapper comes to later.</summary>
    private static IEnumerable<Node> NodesNow(Binding binding) => binding switch
    {
        Binding.Single single => [single.Node],
        Binding.Many many => many.Elements.SelectMany(NodesNow),
        Binding.Keyed keyed => keyed.Elements.SelectMany(element => NodesNow(element.Supply)),
        _ => [],
    };

    private Plan Compose(Node node)
    {
        if (shared?.CounterpartOf(node) is { } counterpart)
        {
            return SharedPlan(node, counterpart, shared.Parent);
        }

        Plan[] arguments = ArgumentsOf(node);
        if (node.Kind == NodeKind.Alias)
        {
            return arguments[0];
        }

        Type created = reader.Types[node.Implementation];
        return new Plan(RecipeOf(node))
        {
            Node = node,
            Gathering = node.IsAsync ? GatheringOf(node, arguments) : null,
            Level = node.Level,
            Slot = node.CreatesInstances && !node.Level.IsTransient ? NextSlot(node.Level) : Plan.NoSlot,
            CallsUserCode = node.CreatesInstances,
            IsOwned = node.CreatesInstances && node.Options.IsOwned != false && CanBeDisposed(node, created),
            Arguments = arguments,
        };
    }

    /// <summary>Whether there may be something to dispose: a constructor gives exactly its class, a factory whatever it likes.</summary>
    private static Plan GatheringOf(Node node, Plan[] arguments) =>
        new(new FactoryRecipe(values => values)) { Node = node, Arguments = arguments };

    private static Plan SharedPlan(Node node, Node counterpart, Container parent) =>
        new(new SharedRecipe(parent, new Lazy<Plan>(() => parent.Plans.PlanOf(counterpart)))) { Node = node, Level = node.Level };

    private static bool CanBeDisposed(Node node, Type created) =>
        WiringReader.SourceOf(node) is not InstanceSource.OfClass
            || created.IsAssignableTo(typeof(IDisposable))
            || created.IsAssignableTo(typeof(IAsyncDisposable));

    private Recipe RecipeOf(Node node)
    {
        InstanceSource source = WiringReader.SourceOf(node);
        Recipe recipe =
            source is InstanceSource.OfClass
                ? new ConstructorRecipe(WiringReader.ConstructorOf(node), plans.Codes)
                : RecipeOf(node, source);
        return node.Properties.Length == 0 ? recipe : FillingProperties(recipe, node);
    }

    private static Recipe RecipeOf(Node node, InstanceSource source) => source switch
    {
        InstanceSource.OfFactory factory => new FactoryRecipe(factory.Call),
        InstanceSource.OfAsyncFactory => new ConstantRecipe(null),
        InstanceSource.OfValue value => new ConstantRecipe(value.Value),
        _ => new IncomingRecipe(node),
    };

    private static PropertyFillingRecipe FillingProperties(Recipe recipe, Node node) => new(
        recipe,
        [.. node.Properties.Select(WiringReader.PropertyOf)],
        node.Options.IsOwned != false || !node.Registration.IsInWiring);

    private Plan Compose(Binding binding) => binding is Binding.Single single ? Known(single.Node)! : ComposeOther(binding);

    private Plan ComposeOther(Binding binding) => binding switch
    {
        Binding.Deferred { Form.TakesArguments: true } function =>
            new Plan(new ArgumentFuncRecipe(reader.Types[function.Wrapper], Later(function.Inner))),
        Binding.Deferred deferred =>
            new Plan(new DeferredRecipe(deferred.Form, WrapperFactory.Of(reader.TokenOf(deferred.Wanted)), Later(deferred.Inner))),
        Binding.Many many =>
            new Plan(new ListRecipe(WrapperFactory.Of(reader.TokenOf(many.Element.Type)))) { Arguments = Elements(many.Elements) },
        Binding.Keyed keyed => new Plan(Keyed(keyed)) { Arguments = Elements([.. keyed.Elements.Select(element => element.Supply)]) },
        Binding.Ambient ambient => new Plan(new AmbientRecipe(ambient.Form)) { IsScope = ambient.Form == AmbientForm.Scope },
        Binding.Argument argument => new Plan(new ArgumentRecipe(argument.Number)),
        Binding.Passed or Binding.Nothing => new Plan(new ConstantRecipe(null)),
        _ => throw new InvalidOperationException($"Only a sound graph is compiled, and this is not met: {binding}."),
    };

    private Plan[] Elements(IReadOnlyList<Binding> elements) => [.. elements.Select(element => Compose(element))];

    private Plan[] ArgumentsOf(Node node)
    {
        Binding[] bindings = node.Bindings!;
        Plan[] arguments = bindings.Length == 0 ? [] : new Plan[bindings.Length];
        for (int number = 0; number < arguments.Length; number++)
        {
            arguments[number] = bindings[number] is Binding.Passed or Binding.Nothing
                ? new Plan(new ConstantRecipe(reader.ConstantOf(node.Parameters[number])))
                : Compose(bindings[number]);
        }

        return arguments;
    }

    private Recipe Keyed(Binding.Keyed keyed)
    {
        WrapperFactory wrappers = WrapperFactory.Of(reader.TokenOf(keyed.Element.Type));
        return keyed.Elements.All(element => element.Mark.Type is null) && reader.Types[keyed.Key] == typeof(string)
            ? new DictionaryRecipe<string>(wrappers, [.. keyed.Elements.Select(element => element.Mark.Text!)])
            : new DictionaryRecipe<Type>(wrappers, [.. keyed.Elements.Select(element => reader.Types[element.Mark.Type!])]);
    }

    private Lazy<Plan> Later(Binding binding) => new(() => plans.PlanFor(binding));

    private int NextSlot(Level level) =>
        level == Level.Singleton ? _singletonSlots++
        : level == Level.Scoped ? _scopedSlots++
        : NextSlotOfUsers(level);

    private int NextSlotOfUsers(Level level)
    {
        _slotsOfUsers ??= [];
        return _slotsOfUsers[level] = _slotsOfUsers.GetValueOrDefault(level, -1) + 1;
    }
}
