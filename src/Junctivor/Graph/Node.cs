namespace Junctivor.Graph;

/// <summary>One registration as the graph knows it: what it serves, what makes it and what that needs.</summary>
internal sealed class Node
{
    /// <summary>The place in the order written.</summary>
    public required int Order { get; init; }

    public required NodeKind Kind { get; init; }

    /// <summary>The class that is constructed; for the rest, the type that the user's code promises to give.</summary>
    public required TypeRef Made { get; init; }

    /// <summary>What the registration is written for, and then what <c>Also</c> adds.</summary>
    public required IReadOnlyList<TypeRef> Services { get; init; }

    public required Level Level { get; init; }

    public Mark? Mark { get; init; }

    public SourcePlace Place { get; init; }

    /// <summary>The public constructors, for a class; empty for the rest.</summary>
    public IReadOnlyList<Constructor> Constructors { get; init; } = [];

    /// <summary>What the factory asks for; empty for the rest.</summary>
    public IReadOnlyList<Parameter> FactoryParameters { get; init; } = [];

    /// <summary>The constructor to call, or null where the class leaves it open.</summary>
    public Constructor? ChosenConstructor => Constructors.Count == 1
        ? Constructors[0]
        : Constructors.Count(constructor => constructor.IsChosen) == 1
            ? Constructors.Single(constructor => constructor.IsChosen)
            : null;

    /// <summary>What must be there before one can be made; nothing where no constructor is settled.</summary>
    public IReadOnlyList<Parameter> Parameters => Kind switch
    {
        NodeKind.Class => ChosenConstructor?.Parameters ?? [],
        NodeKind.Factory => FactoryParameters,
        _ => [],
    };

    /// <summary>How messages call it: the class, or for the rest the service.</summary>
    public string Name => Kind == NodeKind.Class ? Made.Name : Services[0].Name;

    public IEnumerable<ServiceId> Offers => Services.Select(service => new ServiceId(service, Mark));

    public override string ToString() => $"{Name} ({Level})";
}
