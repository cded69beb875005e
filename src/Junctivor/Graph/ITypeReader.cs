namespace Junctivor.Graph;

/// <summary>What the graph asks of whoever read it, when something new follows from a registration.</summary>
internal interface ITypeReader
{
    /// <summary>Closes an open generic registration so that it serves a closed service.</summary>
    /// <returns>The closed node; null if it cannot be closed so.</returns>
    Node? Close(Node open, TypeRef service);

    /// <summary>Why an open generic registration could not be closed so; null if nothing is known.</summary>
    ClosingObstacle? ObstacleFor(Node open, TypeRef service);

    /// <summary>What identifies the factory of a registration: equal for two with the same one; null if nobody can tell.</summary>
    object? FactoryIdentityOf(Node node);

    /// <summary>The registrations that <c>Enabled</c> leaves out.</summary>
    IReadOnlyList<Node> Disabled { get; }

    /// <summary>Reads a class that is not registered, to construct it with arguments.</summary>
    Node ReadUnregistered(TypeRef type);

    /// <summary>What the compiler left behind of the wirings of the assemblies that this one mentions.</summary>
    IReadOnlyList<(string Member, string Text)> LeftWirings { get; }

    /// <summary>Classes that are not registered and implement a service: a generic one as its definition.</summary>
    IReadOnlyList<TypeRef> Implementing(TypeRef service);
}
