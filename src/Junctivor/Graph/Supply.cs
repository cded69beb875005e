namespace Junctivor.Graph;

/// <summary>How a need is met, or why it is not.</summary>
internal abstract record Supply
{
    /// <summary>One node makes it.</summary>
    internal sealed record Single(Node Node) : Supply;

    /// <summary>A list of all that serve it, in the order written.</summary>
    internal sealed record Many(ServiceId Element, IReadOnlyList<Supply> Elements) : Supply;

    /// <summary>All that serve it under a mark, by mark.</summary>
    internal sealed record Keyed(ServiceId Element, TypeRef Key, IReadOnlyList<(Mark Mark, Supply Supply)> Elements) : Supply;

    /// <summary>A wrapper of the base library or of ours, that comes to the service later.</summary>
    internal sealed record Deferred(DeferredForm Form, TypeRef Wrapper, TypeRef Wanted, Supply Inner) : Supply;

    /// <summary>Something that the place has where it is asked for.</summary>
    internal sealed record Ambient(AmbientForm Form) : Supply;

    /// <summary>A constant that the registration passes.</summary>
    internal sealed record Passed : Supply;

    /// <summary>An argument of the call that constructs.</summary>
    internal sealed record Argument(int Number) : Supply;

    /// <summary>Nobody registers it, and the parameter can do without.</summary>
    internal sealed record Nothing(ServiceId Service) : Supply;

    /// <summary>Nobody registers it; or open generics are registered, and none can be closed so.</summary>
    internal sealed record Missing(ServiceId Service, IReadOnlyList<Node> Unfitting) : Supply;

    /// <summary>Several nodes make it, and one is wanted.</summary>
    internal sealed record Ambiguous(ServiceId Service, IReadOnlyList<Node> Candidates) : Supply;

    /// <summary>Arguments are given that nothing takes.</summary>
    internal sealed record Untaken(TypeRef Made, IReadOnlyList<TypeRef> Arguments) : Supply;

    /// <summary>Arguments are given for something that is shared.</summary>
    internal sealed record SharedWithArguments(Node Node) : Supply;

    /// <summary>This and everything inside it.</summary>
    public IEnumerable<Supply> All() => this switch
    {
        Deferred deferred => deferred.Inner.All().Prepend(this),
        Many many => many.Elements.SelectMany(element => element.All()).Prepend(this),
        Keyed keyed => keyed.Elements.SelectMany(element => element.Supply.All()).Prepend(this),
        _ => [this],
    };
}
