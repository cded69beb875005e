namespace Junctivor.Runtime;

/// <summary>How one object is created, once everything that it needs is there.</summary>
internal abstract class Recipe
{
    public abstract object? Construct(in ResolutionContext surroundings, object?[] arguments);
}
