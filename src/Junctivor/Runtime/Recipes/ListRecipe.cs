namespace Junctivor.Runtime;

/// <summary>Creates a fresh array of what the arguments gave.</summary>
internal sealed class ListRecipe(WrapperFactory wrappers) : Recipe
{
    public Type Element => wrappers.Type;

    public override object Construct(in ResolutionContext surroundings, object?[] arguments) => wrappers.Array(arguments);
}
