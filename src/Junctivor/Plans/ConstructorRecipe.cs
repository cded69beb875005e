using System.Reflection;
using System.Runtime.CompilerServices;

namespace Junctivor.Plans;

/// <summary>
/// Calls a constructor; what it throws comes through unwrapped. The first calls go by reflection, as most are never called again; then a
/// function is made of it, where the process can do so.
/// </summary>
internal sealed class ConstructorRecipe(ConstructorInfo constructor) : Recipe
{
    /// <summary>An invoker that is used once writes no code, and so costs next to nothing.</summary>
    private const int ByReflection = 2;

    public ConstructorInfo Constructor => constructor;

    private volatile Func<object?[], object?>? _call;
    private int _calls;

    public override object? Make(in Surroundings surroundings, object?[] arguments) =>
        _call is { } call ? call(arguments) : MakeFirst(arguments);

    private object? MakeFirst(object?[] arguments)
    {
        if (Interlocked.Increment(ref _calls) <= ByReflection)
        {
            return ConstructorInvoker.Create(constructor).Invoke(arguments.AsSpan());
        }

        _call = Lasting();
        return _call(arguments);
    }

    private Func<object?[], object?> Lasting()
    {
        if (RuntimeFeature.IsDynamicCodeSupported && ConstructorCompiler.CanCompile(constructor))
        {
            return ConstructorCompiler.Compile(constructor);
        }

        ConstructorInvoker invoker = ConstructorInvoker.Create(constructor);
        return arguments => invoker.Invoke(arguments.AsSpan());
    }
}
