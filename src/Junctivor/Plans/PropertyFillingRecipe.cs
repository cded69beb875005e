using System.Reflection;

namespace Junctivor.Plans;

/// <summary>Constructs, and then fills properties with the last of the arguments.</summary>
internal sealed class PropertyFillingRecipe(Recipe constructing, IReadOnlyList<PropertyInfo> properties) : Recipe
{
    public Recipe Constructing => constructing;

    public IReadOnlyList<PropertyInfo> Properties => properties;

    public override object? Make(in Surroundings surroundings, object?[] arguments)
    {
        int own = arguments.Length - properties.Count;
        object? made = constructing.Make(surroundings, arguments[..own]);
        for (int number = 0; number < properties.Count; number++)
        {
            properties[number].SetValue(made, arguments[own + number], BindingFlags.DoNotWrapExceptions, null, null, null);
        }

        return made;
    }
}
