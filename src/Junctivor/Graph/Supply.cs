namespace Junctivor.Graph;

/// <summary>How a need is met, or why it is not.</summary>
internal abstract record Supply
{
    /// <summary>One node makes it.</summary>
    internal sealed record Single(Node Node) : Supply;

    /// <summary>A wrapper of the base library or of ours, that comes to the service later.</summary>
    internal sealed record Deferred(DeferredForm Form, TypeRef Wanted, Supply Inner) : Supply;

    /// <summary>Nobody registers it, and the parameter can do without.</summary>
    internal sealed record Nothing(ServiceId Service) : Supply;

    /// <summary>Nobody registers it.</summary>
    internal sealed record Missing(ServiceId Service) : Supply;

    /// <summary>Several nodes make it, and one is wanted.</summary>
    internal sealed record Ambiguous(ServiceId Service, IReadOnlyList<Node> Candidates) : Supply;

    /// <summary>The supply below all wrappers.</summary>
    public Supply Core => this is Deferred deferred ? deferred.Inner.Core : this;
}
