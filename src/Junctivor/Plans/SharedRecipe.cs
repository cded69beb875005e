using Junctivor.Runtime;

namespace Junctivor.Plans;

/// <summary>Gives what the container makes and keeps that a branch was made from.</summary>
internal sealed class SharedRecipe(Container parent, Lazy<Plan> plan) : Recipe
{
    /// <summary>The instance; null where it is not there yet.</summary>
    public object? Ready => plan.Value.Ready;

    public override object Make(in Surroundings surroundings, object?[] arguments) => Construction.Run(plan.Value, parent);
}
