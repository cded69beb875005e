using System.Collections.ObjectModel;
using System.Diagnostics.CodeAnalysis;

namespace Junctivor.Registering;

/// <summary>The wrappers of <typeparamref name="T"/>.</summary>
internal sealed class Wrappers<T> : Wrappers
    where T : notnull
{
    public static readonly Wrappers<T> Instance = new();

    public override Type Type => typeof(T);

    public override object Func(Func<object> resolve) => new Func<T>(() => (T)resolve());

    /// <summary>A failure is not remembered: the next asking tries again.</summary>
    [UnconditionalSuppressMessage("Trimming", "IL2091", Justification = "It always has a function to make its value, and so needs no constructor.")]
    public override object Lazy(Func<object> resolve) => new Lazy<T>(() => (T)resolve(), LazyThreadSafetyMode.PublicationOnly);

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

    public override object FreshScope(Resolver holder, Func<Resolver, object> resolve) =>
        new FreshScope<T>(holder, scope => (T)resolve(scope));
}
