using Junctivor.Registering;

namespace Junctivor.Plans;

/// <summary>Makes a fresh dictionary of what the arguments gave, by their marks.</summary>
internal sealed class DictionaryRecipe<TKey>(Wrappers wrappers, TKey[] keys) : Recipe
    where TKey : notnull
{
    public override object Make(in Surroundings surroundings, object?[] arguments) => wrappers.Dictionary(keys, arguments);
}
