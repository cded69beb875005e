namespace Junctivor.Graph;

/// <summary>A public constructor of a class, as the reader found it.</summary>
internal abstract class Constructor(bool isChosen)
{
    /// <summary>Whether it carries <c>[Inject]</c>.</summary>
    public bool IsChosen { get; } = isChosen;

    public abstract Parameter[] Parameters { get; }

    /// <summary>The same constructor, of which some parameters are met otherwise.</summary>
    public abstract Constructor With(Parameter[] others);

    /// <summary>Lets go of what can be read again.</summary>
    public abstract void Forget();

    public override string ToString() => string.Join(", ", Parameters.Select(parameter => parameter.Type.Name));
}
