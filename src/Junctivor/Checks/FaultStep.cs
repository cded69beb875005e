using Junctivor.Graph;

namespace Junctivor;

/// <summary>One line of the path of a <see cref="Fault"/>: a service, and the parameter by which it is reached.</summary>
/// <param name="Depth">How far below the first line it stands; lines of one depth under the same line are alternatives.</param>
/// <param name="Parameter">The name of the parameter that asks for it; null for the first line and for alternatives.</param>
/// <param name="Name">The class or service, as messages write it.</param>
/// <param name="Lifetime">The lifetime or the level's name; empty where there is none.</param>
/// <param name="File">The source file of the registration as the compiler saw it; empty where nobody knows.</param>
/// <param name="Line">The line in that file, counted from 1; 0 where nobody knows.</param>
/// <param name="Place">File and line as messages show them, relative to the folder that all registrations share.</param>
public sealed record FaultStep(
    int Depth, string? Parameter, string Name, string Lifetime, string File, int Line, string Place)
{
    /// <summary>The registration that stands at the place; null where there is none.</summary>
    internal Node? Node { get; init; }

    /// <summary>Whether another step says the same.</summary>
    /// <param name="other">The other step.</param>
    /// <returns>True where all that is shown is equal.</returns>
    public bool Equals(FaultStep? other) => other is not null && Shown == other.Shown;

    /// <inheritdoc/>
    public override int GetHashCode() => Shown.GetHashCode();

    private (int, string?, string, string, string, int, string) Shown => (Depth, Parameter, Name, Lifetime, File, Line, Place);
}
