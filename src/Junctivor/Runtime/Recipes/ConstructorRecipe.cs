using System.Reflection;
using System.Runtime.CompilerServices;
using Junctivor.CompilerServices;
using Junctivor.Reading;

namespace Junctivor.Runtime;

/// <summary>
/// Calls a constructor; what it throws comes through unwrapped. The first calls go by reflection, as most are never called again; then a
/// function is made from it in the background, where the process can do so. A natively compiled program has calls compiled in.
/// </summary>
internal sealed class ConstructorRecipe(ReflectedConstructor constructor, CodeQueue codes) : Recipe
{
    /// <summary>How many calls go by reflection. What only keeps its arguments has long become part of larger code then.</summary>
    private const int ByReflection = 8;

    public ConstructorInfo Constructor => constructor.Info;

    private volatile Func<object?[], object?>? _call;
    private int _calls;

    public override object? Construct(in ResolutionContext surroundings, object?[] arguments) =>
        _call is { } call ? call(arguments) : ConstructByReflection(arguments);

    /// <summary>An invoker that is used once writes no code, and so costs next to nothing; a second call of the same one writes
    /// some.</summary>
    private object? ConstructByReflection(object?[] arguments)
    {
        ConstructorInfo info = constructor.Info;
        if (CompiledRecipes.AreUsed && CompiledRecipes.Find(info) is { } compiled)
        {
            _call = compiled;
            return compiled(arguments);
        }

        if (_calls < ByReflection && Interlocked.Increment(ref _calls) == ByReflection && CanBeCalledOtherwise(info))
        {
            codes.Compile(() => _call = Lasting(info));
        }

        return ConstructorInvoker.Create(info).Invoke(new Span<object?>(arguments));
    }

    private static bool CanBeCalledOtherwise(ConstructorInfo info) =>
        !RuntimeFeature.IsDynamicCodeSupported || ConstructorCompiler.CanCompile(info);

    private static Func<object?[], object?> Lasting(ConstructorInfo info)
    {
        if (RuntimeFeature.IsDynamicCodeSupported)
        {
            return ConstructorCompiler.Compile(info);
        }

        ConstructorInvoker invoker = ConstructorInvoker.Create(info);
        return arguments => invoker.Invoke(new Span<object?>(arguments));
    }
}
