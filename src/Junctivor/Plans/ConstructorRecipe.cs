using System.Reflection;
using System.Runtime.CompilerServices;
using Junctivor.Reading;

namespace Junctivor.Plans;

/// <summary>
/// Calls a constructor; what it throws comes through unwrapped. The first calls go by reflection, as most are never called again; then a
/// function is made of it, where the process can do so.
/// </summary>
internal sealed class ConstructorRecipe(ReflectedConstructor constructor) : Recipe
{
    /// <summary>An invoker that is used once writes no code, and so costs next to nothing.</summary>
    private const int ByReflection = 2;

    public ConstructorInfo Constructor => constructor.Info;

    private volatile Func<object?[], object?>? _call;
    private int _calls;

    public override object? Make(in Surroundings surroundings, object?[] arguments) =>
        _call is { } call ? call(arguments) : MakeFirst(arguments);

    private object? MakeFirst(object?[] arguments)
    {
        if (Interlocked.Increment(ref _calls) <= ByReflection)
        {
            return ConstructorInvoker.Create(constructor.Info).Invoke(arguments.AsSpan());
        }

        _call = Lasting();
        return _call(arguments);
    }

    private Func<object?[], object?> Lasting()
    {
        ConstructorInfo info = constructor.Info;
        if (RuntimeFeature.IsDynamicCodeSupported && ConstructorCompiler.CanCompile(info))
        {
            return ConstructorCompiler.Compile(info);
        }

        ConstructorInvoker invoker = ConstructorInvoker.Create(info);
        return arguments => invoker.Invoke(arguments.AsSpan());
    }
}
