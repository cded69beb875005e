namespace Junctivor;

/// <summary>A service that an <see cref="EntryPoint"/> resolves. Immutable.</summary>
public sealed record RequestedService
{
    /// <param name="type">The service.</param>
    /// <param name="parameter">The name of the parameter or property that takes it.</param>
    /// <exception cref="ArgumentNullException">An argument is null.</exception>
    public RequestedService(Type type, string parameter)
    {
        ArgumentNullException.ThrowIfNull(type);
        ArgumentNullException.ThrowIfNull(parameter);
        Type = type;
        Parameter = parameter;
    }

    /// <summary>The service.</summary>
    public Type Type { get; }

    /// <summary>The name of the parameter or property that takes it.</summary>
    public string Parameter { get; }

    /// <summary>Its mark, a string or a type; null for none.</summary>
    public object? Mark { get; init; }

    /// <summary>Whether nothing is taken if it is not registered; false by default.</summary>
    public bool IsOptional { get; init; }
}
