namespace Junctivor.Graph;

/// <summary>One thing that a constructor, a factory or a property requires.</summary>
internal abstract class Parameter(TypeRef type)
{
    public abstract string Name { get; }

    public TypeRef Type { get; } = type;

    public virtual Mark? Mark => null;

    /// <summary>Whether it is met with nothing where the service is not registered: <c>T? x</c> or <c>T x = default</c>.</summary>
    public virtual bool IsOptional => false;

    /// <summary>Whether it is declared as <c>T?</c> of a struct; <see cref="Type"/> is <c>T</c> then.</summary>
    public virtual bool IsNullableStructure => false;

    /// <summary>Whether the registration passes a constant for it.</summary>
    public virtual bool IsPassed => false;

    /// <summary>Whether it is what a decorator wraps.</summary>
    public virtual bool IsInner => false;

    /// <summary>Which argument of a call it takes, for something that is constructed with arguments; null for the rest.</summary>
    public virtual int? Argument => null;

    /// <summary>Why no container can hand this over, such as <c>is passed by reference</c>; null if one can.</summary>
    public virtual string? Obstacle => null;

    /// <summary>The same parameter, met by an argument of a call.</summary>
    public Parameter TakingArgument(int number) => new PresetParameter(Name, Type, argument: number);

    /// <summary>The same parameter, met by what a decorator wraps.</summary>
    public Parameter AsInner() => new PresetParameter(Name, Type, isInner: true);

    /// <summary>The same parameter, met by a constant.</summary>
    public Parameter AsPassed() => new PresetParameter(Name, Type, isPassed: true);

    /// <summary>What it requires.</summary>
    public ServiceId Service => new(Type, Mark);
}
