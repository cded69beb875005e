namespace Junctivor.Plans;

/// <summary>Gives an argument of the call that constructs.</summary>
internal sealed class ArgumentRecipe(int number) : Recipe
{
    public override object? Make(in Surroundings surroundings, object?[] arguments) => surroundings.Given[number];
}
