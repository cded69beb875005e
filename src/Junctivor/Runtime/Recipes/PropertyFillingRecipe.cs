using System.Reflection;

namespace Junctivor.Runtime;

/// <summary>Constructs, and then fills properties with the last of the arguments. What a setter throws leaves nothing behind that has
/// something to dispose.</summary>
/// <param name="constructing">Constructs.</param>
/// <param name="properties">The properties.</param>
/// <param name="isEndedUnfinished">Whether the object is ended where a setter throws: nobody but us has ever had it then.</param>
internal sealed class PropertyFillingRecipe(Recipe constructing, IReadOnlyList<PropertyInfo> properties, bool isEndedUnfinished) : Recipe
{
    public Recipe Constructing => constructing;

    public IReadOnlyList<PropertyInfo> Properties => properties;

    public override object? Construct(in ResolutionContext surroundings, object?[] arguments)
    {
        int own = arguments.Length - properties.Count;
        object? created = constructing.Construct(surroundings, arguments[..own]);
        bool isFilled = false;
        try
        {
            for (int number = 0; number < properties.Count; number++)
            {
                properties[number].SetValue(created, arguments[own + number], BindingFlags.DoNotWrapExceptions, null, null, null);
            }

            isFilled = true;
            return created;
        }
        finally
        {
            if (!isFilled && isEndedUnfinished && created is IDisposable or IAsyncDisposable)
            {
                surroundings.Construction?.Own(surroundings.Home, created);
            }
        }
    }
}
