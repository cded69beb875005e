namespace Junctivor.Runtime;

/// <summary>Returns what the container creates and keeps that a branch was made from.</summary>
internal sealed class SharedRecipe(Container parent, Lazy<Plan> plan) : Recipe
{
    /// <summary>The instance; null if it is not there yet.</summary>
    public object? Ready => plan.Value.Ready;

    public override object Construct(in ResolutionContext surroundings, object?[] arguments) => Construction.Run(plan.Value, parent);
}
