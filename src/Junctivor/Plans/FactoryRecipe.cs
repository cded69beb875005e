namespace Junctivor.Plans;

/// <summary>Calls a function of the user's.</summary>
internal sealed class FactoryRecipe(Func<object?[], object?> call) : Recipe
{
    public override object? Make(in Surroundings surroundings, object?[] arguments) => call(arguments);
}
