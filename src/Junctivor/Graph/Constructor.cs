namespace Junctivor.Graph;

/// <summary>A public constructor of a class, as the reader found it.</summary>
internal sealed class Constructor(bool isChosen, IReadOnlyList<Parameter> parameters)
{
    /// <summary>Whether it carries <c>[Inject]</c>.</summary>
    public bool IsChosen { get; } = isChosen;

    public IReadOnlyList<Parameter> Parameters { get; } = parameters;

    /// <summary>The constructor as it was read, where some parameters are met otherwise.</summary>
    public Constructor Read { get => field ?? this; private init; }

    public Constructor With(IReadOnlyList<Parameter> others) => new(IsChosen, others) { Read = Read };

    public override string ToString() => string.Join(", ", Parameters.Select(parameter => parameter.Type.Name));
}
