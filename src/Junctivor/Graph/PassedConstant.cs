namespace Junctivor.Graph;

/// <summary>A constant that a registration passes for a constructor parameter.</summary>
/// <param name="parameter">The name of the parameter; null if its type tells which.</param>
/// <param name="type">The type that it is passed as.</param>
internal abstract class PassedConstant(string? parameter, TypeRef type)
{
    public string? Parameter => parameter;

    public TypeRef Type => type;

    /// <summary>Whether a parameter can take it.</summary>
    public abstract bool Fits(Parameter parameter);

    /// <summary>The parameter, met by it.</summary>
    public abstract Parameter PassTo(Parameter parameter);
}
