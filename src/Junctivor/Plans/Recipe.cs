namespace Junctivor.Plans;

/// <summary>How one object is made, once everything that it needs is there.</summary>
internal abstract class Recipe
{
    public abstract object? Make(in Surroundings surroundings, object?[] arguments);
}
