namespace Junctivor.Plans;

/// <summary>Gives what existed before.</summary>
internal sealed class ConstantRecipe(object? value) : Recipe
{
    public object? Value => value;

    public override object? Make(in Surroundings surroundings, object?[] arguments) => value;
}
