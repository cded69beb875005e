using System.Reflection;

namespace Junctivor.Plans;

/// <summary>Calls a constructor by reflection; what it throws comes through unwrapped.</summary>
internal sealed class ConstructorRecipe(ConstructorInfo constructor) : Recipe
{
    public override object Make(in Surroundings surroundings, object?[] arguments) =>
        constructor.Invoke(BindingFlags.DoNotWrapExceptions, binder: null, arguments, culture: null);
}
