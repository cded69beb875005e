namespace Junctivor;

/// <summary>A service that an <see cref="EntryPoint"/> requests. Immutable.</summary>
/// <param name="Type">The service.</param>
/// <param name="Parameter">The name of the parameter or property that takes it.</param>
public sealed record RequestedService(Type Type, string Parameter)
{
    /// <summary>Its mark, a string or a type; null for none.</summary>
    public object? Mark { get; init; }

    /// <summary>Whether nothing is taken if it is not registered; false by default.</summary>
    public bool IsOptional { get; init; }
}
