namespace Junctivor.Runtime;

/// <summary>Creates a fresh dictionary of what the arguments gave, by their marks.</summary>
internal sealed class DictionaryRecipe<TKey>(WrapperFactory wrappers, TKey[] keys) : Recipe
    where TKey : notnull
{
    public override object Construct(in ResolutionContext surroundings, object?[] arguments) => wrappers.Dictionary(keys, arguments);
}
