namespace Junctivor.Graph;

/// <summary>One thing that a constructor, a factory or a property asks for.</summary>
internal sealed class Parameter(string name, TypeRef type)
{
    public string Name { get; } = name;

    public TypeRef Type { get; } = type;

    public Mark? Mark { get; init; }

    /// <summary>Whether it is met with nothing where nobody registers the service: <c>T? x</c> or <c>T x = default</c>.</summary>
    public bool IsOptional { get; init; }

    /// <summary>Why no container can hand this over, such as <c>is passed by reference</c>; null where one can.</summary>
    public string? Obstacle { get; init; }
}
