namespace Junctivor.Graph;

/// <summary>A public constructor of a class, as the reader found it.</summary>
internal abstract class Constructor(bool isChosen, Parameter[] parameters)
{
    /// <summary>Whether it carries <c>[Inject]</c>.</summary>
    public bool IsChosen { get; } = isChosen;

    public Parameter[] Parameters { get; } = parameters;

    /// <summary>The same constructor, of which some parameters are met otherwise.</summary>
    public abstract Constructor With(Parameter[] others);

    public override string ToString() => string.Join(", ", Parameters.Select(parameter => parameter.Type.Name));
}
