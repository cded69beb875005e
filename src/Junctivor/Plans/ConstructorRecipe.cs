using System.Reflection;

namespace Junctivor.Plans;

/// <summary>Calls a constructor by reflection; what it throws comes through unwrapped.</summary>
internal sealed class ConstructorRecipe(ConstructorInfo constructor) : Recipe
{
    private readonly ConstructorInvoker _invoker = ConstructorInvoker.Create(constructor);

    public override object? Make(in Surroundings surroundings, object?[] arguments) => arguments.Length switch
    {
        0 => _invoker.Invoke(),
        1 => _invoker.Invoke(arguments[0]),
        2 => _invoker.Invoke(arguments[0], arguments[1]),
        3 => _invoker.Invoke(arguments[0], arguments[1], arguments[2]),
        _ => _invoker.Invoke(arguments.AsSpan()),
    };
}
