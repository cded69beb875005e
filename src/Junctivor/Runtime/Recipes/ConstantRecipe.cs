namespace Junctivor.Runtime;

/// <summary>Returns what existed before.</summary>
internal sealed class ConstantRecipe(object? value) : Recipe
{
    public object? Value => value;

    public override object? Construct(in ResolutionContext surroundings, object?[] arguments) => value;
}
