namespace Junctivor.Registering;

/// <summary>A constant for one constructor parameter.</summary>
/// <param name="Parameter">The name of the parameter; null if the type says which.</param>
/// <param name="Type">The type of the constant, as it was passed.</param>
/// <param name="Value">The constant.</param>
internal sealed record PassedValue(string? Parameter, Type Type, object? Value);
