namespace Junctivor.Graph;

/// <summary>Settles what each need gets: by what is registered, and by the wrappers and lists around it.</summary>
internal sealed class Binder(Candidates candidates, ITypeReader reader)
{
    private static readonly HashSet<string> Lists = new(StringComparer.Ordinal)
    {
        "[]",
        "System.Collections.Generic.IEnumerable`1",
        "System.Collections.Generic.IReadOnlyCollection`1",
        "System.Collections.Generic.IReadOnlyList`1",
    };

    private readonly Dictionary<TypeRef, Node> _unregistered = [];
    private readonly Dictionary<Node, List<(IReadOnlyList<TypeRef> Arguments, Node Node, IReadOnlyList<TypeRef> Untaken)>> _filled = [];

    /// <summary>Whether somebody constructs anything with arguments.</summary>
    public bool HasFilled => _filled.Count > 0;

    /// <summary>What a parameter of a node gets.</summary>
    public Supply SupplyFor(Node consumer, Parameter parameter)
    {
        if (parameter.IsPassed)
        {
            return new Supply.Passed();
        }

        if (parameter.Argument is { } number)
        {
            return new Supply.Argument(number);
        }

        if (consumer.IsAsync && parameter.Type.DefinitionName == "System.Threading.CancellationToken")
        {
            return new Supply.Ambient(AmbientForm.Cancellation);
        }

        if (parameter.IsInner && consumer.Inner is not null)
        {
            return consumer.Inner.Alone;
        }

        Supply supply = SupplyFor(parameter.Service, consumer.Kind == NodeKind.Alias ? null : consumer.Made);
        return supply is not Supply.Single && parameter.IsOptional && supply.All().OfType<Supply.Missing>().FirstOrDefault() is { } missing
            ? new Supply.Nothing(missing.Service)
            : supply;
    }

    /// <summary>What somebody gets who asks; a consumer of null asks from outside.</summary>
    public Supply SupplyFor(ServiceId service, TypeRef? consumer)
    {
        if (service.Type.IsOpen)
        {
            return new Supply.Missing(service, []);
        }

        if (candidates.OnlyOne(service) is { } only)
        {
            return only.Alone;
        }

        IReadOnlyList<Node> found = candidates.ForOne(service, consumer);
        return found.Count switch
        {
            1 => found[0].Alone,
            > 1 => new Supply.Ambiguous(service, found),
            _ => AroundOthers(service, consumer) ?? new Supply.Missing(service, candidates.Unfitting(service)),
        };
    }

    /// <summary>Constructs a class with some arguments given: a transient, or a class that nobody registers.</summary>
    public Supply WithArguments(ServiceId service, TypeRef? consumer, IReadOnlyList<TypeRef> arguments)
    {
        IReadOnlyList<Node> found = candidates.Bare(service, consumer);
        if (found.Count > 1)
        {
            return new Supply.Ambiguous(service, found);
        }

        Node made = found.Count == 1 ? found[0] : Unregistered(service.Type);
        if (!made.Level.IsTransient || !made.Makes)
        {
            return new Supply.SharedWithArguments(made);
        }

        // What constructs more of its own kind asks for the same again: it must get the same node.
        if (!_filled.TryGetValue(made, out List<(IReadOnlyList<TypeRef> Arguments, Node Node, IReadOnlyList<TypeRef> Untaken)>? calls))
        {
            _filled.Add(made, calls = []);
        }

        (IReadOnlyList<TypeRef> Arguments, Node Node, IReadOnlyList<TypeRef> Untaken) filled = calls.Find(call => call.Arguments.SequenceEqual(arguments));
        if (filled.Node is null)
        {
            filled = (arguments, ArgumentPassing.Fill(made, arguments, out IReadOnlyList<TypeRef> untaken), untaken);
            calls.Add(filled);
        }

        return filled.Untaken.Count > 0
            ? new Supply.Untaken(made.Made, filled.Untaken)
            : candidates.Front(filled.Node, service).Alone;
    }

    private Node Unregistered(TypeRef type)
    {
        if (!_unregistered.TryGetValue(type, out Node? node))
        {
            _unregistered.Add(type, node = reader.ReadUnregistered(type));
        }

        return node;
    }

    private Supply? AroundOthers(ServiceId service, TypeRef? consumer) => service.Type.DefinitionName switch
    {
        "Junctivor.Scope" => new Supply.Ambient(AmbientForm.Scope),
        "Junctivor.Container" => new Supply.Ambient(AmbientForm.Container),
        "Junctivor.AskingClass" => new Supply.Ambient(AmbientForm.AskingClass),
        "System.Func`1" => Defer(DeferredForm.Func, service, consumer),
        "System.Lazy`1" => Defer(DeferredForm.Lazy, service, consumer),
        "Junctivor.FreshScope`1" => Defer(DeferredForm.FreshScope, service, consumer),
        "System.Func`2" or "System.Func`3" or "System.Func`4" or "System.Func`5" => DeferWithArguments(service, consumer),
        "System.Collections.Generic.IReadOnlyDictionary`2" => Key(service, consumer),
        string list when Lists.Contains(list) => List(service, consumer),
        _ => null,
    };

    private Supply.Deferred Defer(DeferredForm form, ServiceId service, TypeRef? consumer)
    {
        TypeRef inner = service.Type.Arguments[0];
        return new Supply.Deferred(form, service.Type, inner, SupplyFor(service with { Type = inner }, consumer));
    }

    private Supply.Deferred DeferWithArguments(ServiceId service, TypeRef? consumer)
    {
        IReadOnlyList<TypeRef> types = service.Type.Arguments;
        TypeRef made = types[types.Count - 1];
        Supply inner = WithArguments(service with { Type = made }, consumer, [.. types.Take(types.Count - 1)]);
        return new Supply.Deferred(DeferredForm.FuncWithArguments, service.Type, made, inner);
    }

    private Supply.Many List(ServiceId service, TypeRef? consumer)
    {
        ServiceId element = service with { Type = service.Type.Arguments[0] };
        return new Supply.Many(element, Elements(element, consumer));
    }

    /// <summary>A list of wrappers has one wrapper for each that serves what is wrapped.</summary>
    private List<Supply> Elements(ServiceId element, TypeRef? consumer)
    {
        List<Supply> elements = [.. candidates.All(element, consumer).Select(node => node.Alone)];
        if (elements.Count == 0 && candidates.Unfitting(element) is { Count: > 0 } open && candidates.IsTooDeep(element.Type))
        {
            return [new Supply.Missing(element, open)];
        }

        return elements.Count == 0 && FormOf(element.Type) is { } form
            ? [.. Elements(element with { Type = element.Type.Arguments[0] }, consumer)
                .Select(inner => new Supply.Deferred(form, element.Type, element.Type.Arguments[0], inner))]
            : elements;
    }

    private Supply.Keyed? Key(ServiceId service, TypeRef? consumer)
    {
        TypeRef key = service.Type.Arguments[0];
        if (key.DefinitionName is not (TypeRef.Text or TypeRef.TypeOfTypes) || service.Mark is not null)
        {
            return null;
        }

        ServiceId element = new(service.Type.Arguments[1]);
        List<(Mark, Supply)> elements = [];
        foreach (Mark mark in candidates.MarksOf(element.Type, areTexts: key.DefinitionName == TypeRef.Text))
        {
            ServiceId marked = element with { Mark = mark };
            IReadOnlyList<Node> serving = candidates.All(marked, consumer);
            if (serving.Count > 0)
            {
                elements.Add((mark, serving.Count == 1 ? serving[0].Alone : new Supply.Ambiguous(marked, serving)));
            }
        }

        return new Supply.Keyed(element, key, elements);
    }

    private static DeferredForm? FormOf(TypeRef type) => type.DefinitionName switch
    {
        "System.Func`1" => DeferredForm.Func,
        "System.Lazy`1" => DeferredForm.Lazy,
        "Junctivor.FreshScope`1" => DeferredForm.FreshScope,
        _ => null,
    };
}
