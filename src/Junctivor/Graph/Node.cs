namespace Junctivor.Graph;

/// <summary>One way to get instances: a registration, or what follows from one (a closed generic, a decorated service).</summary>
internal sealed record Node
{
    private Node? _written;
    private Binding.Single? _alone;

    /// <summary>The <see cref="Order"/> of a node that is not a registration of the wiring.</summary>
    public const int NotInWiring = int.MaxValue;

    /// <summary>The position in the wiring.</summary>
    public int Order { get; init; } = NotInWiring;

    /// <summary>Whether it is registered in the wiring. Arguments of a call, entry points and disabled registrations are not.</summary>
    public bool IsInWiring => Order != NotInWiring;

    public required NodeKind Kind { get; init; }

    /// <summary>The class that is constructed; for the rest, the type that the user's code declares to give.</summary>
    public required TypeRef Implementation { get; init; }

    /// <summary>What the registration is written for, and then what <c>Also</c> adds.</summary>
    public required TypeRef[] Services { get; init; }

    public required Level Level { get; init; }

    public Mark? Mark { get; init; }

    public SourcePlace Place { get; init; }

    /// <summary>What the user wrote behind the entry.</summary>
    public RegistrationOptions Options { get; init; } = RegistrationOptions.None;

    /// <summary>The public constructors, for a class; empty for the rest.</summary>
    public Constructor[] Constructors { get; init; } = [];

    /// <summary>What the factory requires, or what an alias stands for; empty for the rest.</summary>
    public Parameter[] FactoryParameters { get; init; } = [];

    /// <summary>The properties that are filled once it is constructed.</summary>
    public Parameter[] Properties { get; init; } = [];

    /// <summary>What the reader created it from; only the reader uses it.</summary>
    public object? Origin { get; init; }

    /// <summary>What meets its parameters, in their order; null until the graph has settled it.</summary>
    public Binding[]? Bindings { get; private set; }

    /// <summary>Whether each of its parameters is bound to exactly one node, that must be there at once.</summary>
    public bool IsBoundToOne { get; private set; }

    /// <summary>What its bindings are, other than single nodes; none until the graph has settled it.</summary>
    private BindingKinds Kinds { get; set; }

    /// <summary>Its number among the nodes of the graph, once it is settled what meets its parameters.</summary>
    public int Number { get; private set; }

    /// <summary>Whether it is created by something that must be awaited.</summary>
    public bool IsAsync { get; init; }

    /// <summary>Whether it was written as a decorator of its service.</summary>
    public bool IsDecorator { get; init; }

    /// <summary>What a decorator wraps; null for the rest.</summary>
    public Node? Inner { get; init; }

    /// <summary>The service that a decorator, or several within each other, wraps; itself for the rest.</summary>
    public Node Innermost
    {
        get
        {
            Node innermost = this;
            while (innermost.Inner is { } inner)
            {
                innermost = inner;
            }

            return innermost;
        }
    }

    /// <summary>The registration that this follows from; itself for a registration.</summary>
    public Node Registration => _written ?? this;

    /// <summary>Whether it is a registration, and not something that follows from one.</summary>
    public bool IsRegistration => _written is null;

    /// <summary>The constructor to call, or null if the class leaves it open.</summary>
    public Constructor? ChosenConstructor => Constructors switch
    {
        [Constructor only] => only,
        [] => null,
        _ => OnlyChosen(),
    };

    /// <summary>What must be there before one can be created; nothing where no constructor is settled.</summary>
    public Parameter[] Parameters =>
        Kind != NodeKind.Class ? FactoryParameters
        : Properties.Length == 0 ? ChosenConstructor?.Parameters ?? []
        : [.. ChosenConstructor?.Parameters ?? [], .. Properties];

    /// <summary>What it requires, with what meets it; once that is settled.</summary>
    public IReadOnlyList<Dependency> Dependencies => Graph.DependencyReader.Of(this);

    /// <summary>What it needs while it lives: at once, or through <c>Lazy</c> or <c>Func</c>; once that is settled.</summary>
    public IEnumerable<Edge> Edges => Graph.Edges.Of(this);

    /// <summary>That this node alone meets something.</summary>
    public Binding.Single AsBinding => _alone ??= new Binding.Single(this);

    /// <summary>Whether it creates its instances, and so owns them unless told otherwise.</summary>
    public bool CreatesInstances => Kind is NodeKind.Class or NodeKind.Factory;

    /// <summary>Whether it stands for all closings of a generic class.</summary>
    public bool IsOpen => Services[0].IsDefinition;

    /// <summary>What messages call it, where neither class nor service tells.</summary>
    public string? Label { get; init; }

    /// <summary>How messages call it: the class, or for the rest the service.</summary>
    public string Name => Label ?? (Kind == NodeKind.Class ? Implementation.Name : Services[0].Name);

    /// <summary>How messages call its lifetime.</summary>
    public string Lifetime => Kind == NodeKind.Alias ? "alias" : IsDecorator && Inner is null ? "decorator" : Level.Name;

    public IEnumerable<ServiceId> Candidates => Services.Select(service => new ServiceId(service, Mark));

    private Constructor? OnlyChosen()
    {
        Constructor[] chosen = Array.FindAll(Constructors, constructor => constructor.IsChosen);
        return chosen.Length == 1 ? chosen[0] : null;
    }

    /// <summary>Something that follows from this registration, to be changed with <c>with</c>.</summary>
    public Node Derive() => this with { _written = Registration, _alone = null, Bindings = null, IsBoundToOne = false };

    /// <summary>Settles what meets its parameters; once.</summary>
    public void Settle(int number, Binding[] bindings)
    {
        Number = number;
        Bindings = bindings;
        IsBoundToOne = true;
        Kinds = BindingKinds.None;
        foreach (Binding binding in bindings)
        {
            if (binding is not Binding.Single)
            {
                IsBoundToOne = false;
                Kinds |= binding.Kinds;
            }
        }
    }

    /// <summary>Whether one of these stands among its bindings, or inside one of them.</summary>
    public bool Has(BindingKinds any) => (Kinds & any) != 0;

    /// <summary>Whether an option without a value is set.</summary>
    public bool Has(RegistrationFlags flag) => Options.Has(flag);

    public bool Equals(Node? other) => ReferenceEquals(this, other);

    public override int GetHashCode() => System.Runtime.CompilerServices.RuntimeHelpers.GetHashCode(this);

    public override string ToString() => $"{Name} ({Lifetime})";
}
