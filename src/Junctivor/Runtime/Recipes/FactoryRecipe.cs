namespace Junctivor.Runtime;

/// <summary>Calls a function of the user's.</summary>
internal sealed class FactoryRecipe(Func<object?[], object?> call) : Recipe
{
    public override object? Construct(in ResolutionContext surroundings, object?[] arguments) => call(arguments);
}
