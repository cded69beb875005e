namespace Junctivor.Runtime;

/// <summary>Returns an argument of the call that constructs.</summary>
internal sealed class ArgumentRecipe(int number) : Recipe
{
    public override object? Construct(in ResolutionContext surroundings, object?[] arguments) => surroundings.Arguments[number];
}
