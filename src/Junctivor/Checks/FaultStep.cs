using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>One line of the path of a <see cref="Fault"/>: a service, and the parameter by which it is required. Immutable.</summary>
public sealed record FaultStep
{
    internal FaultStep(int depth, string? parameter, string name, string lifetime, string file, int line, string place)
    {
        Depth = depth;
        Parameter = parameter;
        Name = name;
        Lifetime = lifetime;
        File = file;
        Line = line;
        Place = place;
    }

    /// <summary>The indentation: 0 for the first line. Lines of the same depth under one line are alternatives.</summary>
    public int Depth { get; internal init; }

    /// <summary>The name of the parameter that requires it; null for the first line and for alternatives.</summary>
    public string? Parameter { get; }

    /// <summary>The class or service, as messages name it.</summary>
    public string Name { get; }

    /// <summary>The lifetime or the name of the level; empty if it has none.</summary>
    public string Lifetime { get; }

    /// <summary>The source file of the registration, as the compiler recorded it; empty if unknown.</summary>
    public string File { get; }

    /// <summary>The line in <see cref="File"/>, counted from 1; 0 if unknown.</summary>
    public int Line { get; }

    /// <summary>File and line as messages show them, relative to the folder that all registrations share.</summary>
    public string Place { get; }

    /// <summary>The registration at this place; null if there is none.</summary>
    internal Node? Node { get; init; }

    /// <summary>Whether another step shows the same.</summary>
    /// <param name="other">The other step.</param>
    /// <returns>True if all public properties are equal.</returns>
    public bool Equals(FaultStep? other) => other is not null && Shown == other.Shown;

    /// <inheritdoc/>
    public override int GetHashCode() => Shown.GetHashCode();

    private (int, string?, string, string, string, int, string) Shown => (Depth, Parameter, Name, Lifetime, File, Line, Place);
}
