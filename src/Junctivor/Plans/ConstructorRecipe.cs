using System.Reflection;

namespace Junctivor.Plans;

/// <summary>Calls a constructor by reflection; what it throws comes through unwrapped.</summary>
internal sealed class ConstructorRecipe(ConstructorInfo constructor) : Recipe
{
    private readonly ConstructorInvoker _invoker = ConstructorInvoker.Create(constructor);

    public override object? Make(in Surroundings surroundings, object?[] arguments) => _invoker.Invoke(arguments.AsSpan());
}
