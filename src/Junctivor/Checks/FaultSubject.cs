using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>The words in the source that a fault is about, where they are not the whole registration: for diagnostics of the
/// compiler.</summary>
/// <param name="Node">The registration.</param>
internal abstract record FaultSubject(Node Node)
{
    /// <summary>A call of an option.</summary>
    /// <param name="Node">The registration.</param>
    /// <param name="Option">The name of the option.</param>
    /// <param name="Naming">A name in the call, if there may be several calls; null for all.</param>
    /// <param name="Number">Which of these calls, counted from 0.</param>
    public sealed record OfOption(Node Node, string Option, string? Naming = null, int Number = 0) : FaultSubject(Node);

    /// <summary>A constructor of the class.</summary>
    /// <param name="Node">The registration.</param>
    /// <param name="Number">Which of the public ones, counted from 0.</param>
    public sealed record OfConstructor(Node Node, int Number) : FaultSubject(Node);

    /// <summary>A parameter of the constructor or factory.</summary>
    /// <param name="Node">The registration.</param>
    /// <param name="Name">The name of the parameter.</param>
    public sealed record OfParameter(Node Node, string Name) : FaultSubject(Node);

    /// <summary>A registration that is one too many.</summary>
    /// <param name="Node">The registration.</param>
    /// <param name="First">The one before it.</param>
    public sealed record OfSecond(Node Node, Node First) : FaultSubject(Node);
}
