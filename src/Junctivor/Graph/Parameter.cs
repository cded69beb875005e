namespace Junctivor.Graph;

/// <summary>One thing that a constructor, a factory or a property asks for.</summary>
internal sealed class Parameter(string name, TypeRef type)
{
    public string Name { get; } = name;

    public TypeRef Type { get; } = type;

    public Mark? Mark { get; init; }

    /// <summary>Whether it is met with nothing where nobody registers the service: <c>T? x</c> or <c>T x = default</c>.</summary>
    public bool IsOptional { get; init; }

    /// <summary>Whether the registration passes a constant for it.</summary>
    public bool IsPassed { get; init; }

    /// <summary>Whether it is what a decorator wraps.</summary>
    public bool IsInner { get; init; }

    /// <summary>Which argument of a call it takes, for something that is constructed with arguments; null for the rest.</summary>
    public int? Argument { get; init; }

    /// <summary>Why no container can hand this over, such as <c>is passed by reference</c>; null where one can.</summary>
    public string? Obstacle { get; init; }

    /// <summary>The same parameter, met by an argument of a call.</summary>
    public Parameter TakingArgument(int number) => new(Name, Type) { Argument = number };

    /// <summary>The same parameter, met by what a decorator wraps.</summary>
    public Parameter AsInner() => new(Name, Type) { IsInner = true };

    /// <summary>What it asks for.</summary>
    public ServiceId Service => new(Type, Mark);
}
