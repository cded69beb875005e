using Junctivor.Registering;

namespace Junctivor.Plans;

/// <summary>Makes a fresh array of what the arguments gave.</summary>
internal sealed class ListRecipe(Wrappers wrappers) : Recipe
{
    public Type Element => wrappers.Type;

    public override object Make(in Surroundings surroundings, object?[] arguments) => wrappers.Array(arguments);
}
