using System.Collections.ObjectModel;
using System.Diagnostics.CodeAnalysis;
using System.Runtime.CompilerServices;

namespace Junctivor.Runtime;

/// <summary>The wrappers of <typeparamref name="T"/>.</summary>
internal sealed class WrapperFactory<T> : WrapperFactory
    where T : notnull
{
    public static readonly WrapperFactory<T> Instance = new();

    public override Type Type => typeof(T);

    public override object Func(Resolver home, Lazy<Plan> planBelow, Type? consumer) =>
        new Func<T>(new DeferredResolution<T>(home, planBelow, consumer).Get);

    /// <summary>A failure is not remembered: the next asking tries again.</summary>
    [UnconditionalSuppressMessage("Trimming", "IL2091",
        Justification = "It always has a function to make its value, and so needs no constructor.")]
    public override object Lazy(object function) => new Lazy<T>((Func<T>)function, LazyThreadSafetyMode.PublicationOnly);

    public override object Array(object?[] elements) => System.Array.ConvertAll(elements, element => (T)element!);

    public override object Dictionary<TKey>(TKey[] keys, object?[] elements)
    {
        Dictionary<TKey, T> dictionary = new(keys.Length);
        for (int number = 0; number < keys.Length; number++)
        {
            dictionary.Add(keys[number], (T)elements[number]!);
        }

        return new ReadOnlyDictionary<TKey, T>(dictionary);
    }

    public override object FreshScope(Resolver home, Lazy<Plan> planBelow, Type? consumer) =>
        new FreshScope<T>(new DeferredResolution<T>(home, planBelow, consumer));

    /// <summary>Casts without a check: the plan of a type returns only instances of that type, which was checked when the plan was
    /// created.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static T As(object instance) => typeof(T).IsValueType ? (T)instance : Unsafe.As<object, T>(ref instance);
}
