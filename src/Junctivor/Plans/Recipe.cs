namespace Junctivor.Plans;

/// <summary>How one object is made, once everything that it needs is there.</summary>
internal abstract class Recipe
{
    /// <param name="home">The container or scope that it is made in.</param>
    /// <param name="arguments">What the plan's arguments gave, in their order.</param>
    public abstract object? Make(Resolver home, object?[] arguments);
}
