namespace Junctivor.Graph;

/// <summary>Binds each dependency to registrations, or to a wrapper or list around them.</summary>
internal sealed class Binder(CandidateFinder candidates, ITypeReader reader, TypeGrowth growth)
{
    private Dictionary<TypeRef, Node>? _unregistered;
    private Dictionary<Node, List<FilledCall>>? _filled;

    /// <summary>Whether somebody constructs anything with arguments.</summary>
    public bool HasFilled => _filled is not null;

    /// <summary>Binds a parameter of a node.</summary>
    public Binding Bind(Node consumer, Parameter parameter)
    {
        if (parameter.IsPassed || parameter.Argument is not null || consumer.IsAsync)
        {
            if (Given(consumer, parameter) is { } given)
            {
                return given;
            }
        }

        if (parameter.IsInner && consumer.Inner is not null)
        {
            return consumer.Inner.AsBinding;
        }

        Binding binding = Bind(parameter.Service, consumer.Kind == NodeKind.Alias ? null : consumer.Implementation);
        return binding is not Binding.Single && parameter.IsOptional ? OrNothing(binding) : binding;
    }

    /// <summary>Binds a parameter that needs no registration; null if it needs one.</summary>
    private static Binding? Given(Node consumer, Parameter parameter) =>
        parameter.IsPassed ? new Binding.Passed()
        : parameter.Argument is { } number ? new Binding.Argument(number)
        : consumer.IsAsync && parameter.Type.DefinitionName == WellKnownTypes.CancellationToken
            ? new Binding.Ambient(AmbientForm.Cancellation)
            : null;

    private static Binding OrNothing(Binding binding) =>
        binding.All().OfType<Binding.Missing>().FirstOrDefault() is { } missing ? new Binding.Nothing(missing.Service) : binding;

    /// <summary>Binds a service.</summary>
    /// <param name="service">The service.</param>
    /// <param name="consumer">The consuming class; null if it is resolved directly.</param>
    public Binding Bind(ServiceId service, TypeRef? consumer)
    {
        return !service.Type.IsOpen && candidates.OnlyOne(service) is { } only ? only.AsBinding : BindToOther(service, consumer);
    }

    private Binding BindToOther(ServiceId service, TypeRef? consumer)
    {
        if (service.Type.IsOpen)
        {
            return new Binding.Missing(service, []);
        }

        IReadOnlyList<Node> found = candidates.ForOne(service, consumer);
        return found.Count switch
        {
            > 0 when growth.RefusedFor(service.Type) is { } refused => new Binding.Missing(service, [refused]),
            1 => found[0].AsBinding,
            > 1 => new Binding.Ambiguous(service, found),
            _ => AroundOthers(service, consumer) ?? new Binding.Missing(service, candidates.NotClosable(service)),
        };
    }

    /// <summary>Constructs a class with some arguments given: a transient, or a class that is not registered.</summary>
    public Binding WithArguments(ServiceId service, TypeRef? consumer, IReadOnlyList<TypeRef> arguments)
    {
        IReadOnlyList<Node> found = candidates.Undecorated(service, consumer);
        if (found.Count > 1)
        {
            return new Binding.Ambiguous(service, found);
        }

        if (found.Count == 0 && (service.Type.IsInterface || service.Type.IsAbstract))
        {
            return new Binding.Missing(service, []);
        }

        Node created = found.Count == 1 ? found[0] : Unregistered(service.Type);
        if (growth.RefusedFor(service.Type) is { } refused)
        {
            return new Binding.Missing(service, [refused]);
        }

        if (!created.Level.IsTransient || !created.CreatesInstances)
        {
            return new Binding.SharedWithArguments(created);
        }

        // What constructs more of its own kind requires the same again: it must get the same node.
        _filled ??= [];
        if (!_filled.TryGetValue(created, out List<FilledCall>? calls))
        {
            _filled.Add(created, calls = []);
        }

        FilledCall? filled = calls.Find(call => call.Arguments.SequenceEqual(arguments));
        if (filled is null)
        {
            filled = new FilledCall(arguments, ArgumentPassing.Fill(created, arguments, out IReadOnlyList<TypeRef> untaken), untaken);
            calls.Add(filled);
        }

        return filled.Untaken.Count > 0
            ? new Binding.Untaken(created.Implementation, filled.Untaken)
            : candidates.OutermostOf(filled.Node, service).AsBinding;
    }

    private Node Unregistered(TypeRef type)
    {
        _unregistered ??= [];
        if (!_unregistered.TryGetValue(type, out Node? node))
        {
            node = reader.ReadUnregistered(type);
            if (type.Definition is not null && growth.Enter(node, type) is { } step)
            {
                growth.Lead(type, step);
            }

            _unregistered.Add(type, node);
        }

        return node;
    }

    private Binding? AroundOthers(ServiceId service, TypeRef? consumer)
    {
        string definition = service.Type.DefinitionName;
        return DeferredForm.Of(definition) is { } deferred ? Defer(deferred, service, consumer)
            : AmbientForm.Of(definition) is { } ambient ? new Binding.Ambient(ambient)
            : WellKnownTypes.IsList(definition) ? List(service, consumer)
            : definition == WellKnownTypes.Dictionary ? Key(service, consumer)
            : null;
    }

    private Binding.Deferred Defer(DeferredForm form, ServiceId service, TypeRef? consumer)
    {
        if (form.TakesArguments)
        {
            return DeferWithArguments(form, service, consumer);
        }

        TypeRef inner = service.Type.Arguments[0];
        return new Binding.Deferred(form, service.Type, inner, Bind(service with { Type = inner }, consumer));
    }

    private Binding.Deferred DeferWithArguments(DeferredForm form, ServiceId service, TypeRef? consumer)
    {
        IReadOnlyList<TypeRef> types = service.Type.Arguments;
        TypeRef created = types[types.Count - 1];
        Binding inner = WithArguments(service with { Type = created }, consumer, [.. types.Take(types.Count - 1)]);
        return new Binding.Deferred(form, service.Type, created, inner);
    }

    private Binding.Many List(ServiceId service, TypeRef? consumer)
    {
        ServiceId element = service with { Type = service.Type.Arguments[0] };
        return new Binding.Many(element, Elements(element, consumer));
    }

    /// <summary>A list of wrappers has one wrapper for each that serves what is wrapped.</summary>
    private List<Binding> Elements(ServiceId element, TypeRef? consumer)
    {
        List<Binding> elements = [.. candidates.All(element, consumer).Select(node => node.AsBinding)];
        if (growth.RefusedFor(element.Type) is { } refused)
        {
            return [new Binding.Missing(element, [refused])];
        }

        return elements.Count == 0 && DeferredForm.Of(element.Type.DefinitionName) is { TakesArguments: false } form
            ? [.. Elements(element with { Type = element.Type.Arguments[0] }, consumer)
                .Select(inner => new Binding.Deferred(form, element.Type, element.Type.Arguments[0], inner))]
            : elements;
    }

    private Binding.Keyed? Key(ServiceId service, TypeRef? consumer)
    {
        TypeRef key = service.Type.Arguments[0];
        if (key.DefinitionName is not (WellKnownTypes.Text or WellKnownTypes.TypeOfTypes) || service.Mark is not null)
        {
            return null;
        }

        ServiceId element = new(service.Type.Arguments[1]);
        List<(Mark, Binding)> elements = [];
        foreach (Mark mark in candidates.MarksOf(element.Type, areTexts: key.DefinitionName == WellKnownTypes.Text))
        {
            ServiceId marked = element with { Mark = mark };
            IReadOnlyList<Node> serving = candidates.All(marked, consumer);
            if (serving.Count > 0)
            {
                elements.Add((mark, serving.Count == 1 ? serving[0].AsBinding : new Binding.Ambiguous(marked, serving)));
            }
        }

        return new Binding.Keyed(element, key, elements);
    }

    /// <summary>A node that takes arguments, as some call passes them.</summary>
    private sealed record FilledCall(IReadOnlyList<TypeRef> Arguments, Node Node, IReadOnlyList<TypeRef> Untaken);
}
