using Junctivor.Graph;

namespace Junctivor.Registering;

/// <summary>What one registration says; <see cref="Registration"/> is the face that users see of it.</summary>
internal sealed record Entry
{
    public required Type Service { get; init; }

    public required Making Making { get; init; }

    public required Level Level { get; init; }

    public required SourcePlace Place { get; init; }

    /// <summary>What <c>Also</c> added.</summary>
    public IReadOnlyList<Type> AlsoServes { get; init; } = [];

    /// <summary>The wrappers of the service types whose types were known where the entry was written.</summary>
    public IReadOnlyList<Wrappers> Wrappers { get; init; } = [];
}
