namespace Junctivor.Graph;

/// <summary>How a need is met, or why it is not.</summary>
internal abstract record Binding
{
    /// <summary>One node creates it.</summary>
    internal sealed record Single(Node Node) : Binding;

    /// <summary>A list of all that serve it, in the order written.</summary>
    internal sealed record Many(ServiceId Element, IReadOnlyList<Binding> Elements) : Binding;

    /// <summary>All that serve it under a mark, by mark.</summary>
    internal sealed record Keyed(ServiceId Element, TypeRef Key, IReadOnlyList<(Mark Mark, Binding Supply)> Elements) : Binding;

    /// <summary>A wrapper of the base class library or of ours, that comes to the service later.</summary>
    internal sealed record Deferred(DeferredForm Form, TypeRef Wrapper, TypeRef Wanted, Binding Inner) : Binding;

    /// <summary>Something that the place has where it is resolved.</summary>
    internal sealed record Ambient(AmbientForm Form) : Binding;

    /// <summary>A constant that the registration passes.</summary>
    internal sealed record Passed : Binding;

    /// <summary>An argument of the call that constructs.</summary>
    internal sealed record Argument(int Number) : Binding;

    /// <summary>Nobody registers it, and the parameter can do without.</summary>
    internal sealed record Nothing(ServiceId Service) : Binding;

    /// <summary>Nobody registers it; or open generics are registered, and none can be closed so.</summary>
    internal sealed record Missing(ServiceId Service, IReadOnlyList<Node> Unfitting) : Binding;

    /// <summary>Several nodes make it, and one is wanted.</summary>
    internal sealed record Ambiguous(ServiceId Service, IReadOnlyList<Node> Candidates) : Binding;

    /// <summary>Arguments are given that nothing takes.</summary>
    internal sealed record Untaken(TypeRef Made, IReadOnlyList<TypeRef> Arguments) : Binding;

    /// <summary>Arguments are given for something that is shared.</summary>
    internal sealed record SharedWithArguments(Node Node) : Binding;

    /// <summary>What it is and what stands inside it, other than single nodes.</summary>
    public BindingKinds Kinds => this switch
    {
        Single => BindingKinds.None,
        Missing => BindingKinds.Missing,
        Ambiguous => BindingKinds.Ambiguous,
        Nothing => BindingKinds.Nothing,
        Untaken => BindingKinds.Untaken,
        SharedWithArguments => BindingKinds.SharedWithArguments,
        Ambient ambient => ambient.Form.Kind,
        Deferred deferred => deferred.Form.Kind | deferred.Inner.Kinds,
        Many { Elements.Count: 0 } or Keyed { Elements.Count: 0 } => BindingKinds.Empty,
        Many many => KindsOf(many),
        Keyed keyed => KindsOf(keyed),
        _ => BindingKinds.None,
    };

    private static BindingKinds KindsOf(Many many)
    {
        BindingKinds kinds = BindingKinds.None;
        foreach (Binding element in many.Elements)
        {
            kinds |= element.Kinds;
        }

        return kinds;
    }

    private static BindingKinds KindsOf(Keyed keyed)
    {
        BindingKinds kinds = BindingKinds.None;
        foreach ((Mark _, Binding supply) in keyed.Elements)
        {
            kinds |= supply.Kinds;
        }

        return kinds;
    }

    /// <summary>This and everything inside it.</summary>
    public IEnumerable<Binding> All() => this switch
    {
        Deferred deferred => deferred.Inner.All().Prepend(this),
        Many many => many.Elements.SelectMany(element => element.All()).Prepend(this),
        Keyed keyed => keyed.Elements.SelectMany(element => element.Supply.All()).Prepend(this),
        _ => [this],
    };
}
