using System.Collections.Concurrent;
using System.ComponentModel;
using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using System.Runtime.CompilerServices;
using Junctivor.Registering;

namespace Junctivor.CompilerServices;

/// <summary>
/// The code that a natively compiled program needs and cannot make at run time: calls of constructors, and what is generic over
/// structs. The package writes the calls of this class while a program is compiled that is to be published natively or trimmed;
/// nobody else needs them. See docs/native.md. All members are thread-safe.
/// </summary>
[EditorBrowsable(EditorBrowsableState.Never)]
public static class CompiledRecipes
{
    private static readonly ConcurrentDictionary<Type, Compiled[]> Constructors = new();
    private static readonly ConcurrentDictionary<Type, TypeToken> Elements = new();

    /// <summary>Whether this program cannot make code at run time, and so uses what is added here.</summary>
    public static bool AreUsed => !RuntimeFeature.IsDynamicCodeSupported;

    /// <summary>Adds the call of a public constructor, and keeps the class from being trimmed.</summary>
    /// <param name="type">The class; null is ignored, as a class that is named by a text may be missing.</param>
    /// <param name="construct">Calls the constructor with arguments of the types of its parameters, in their order.</param>
    /// <param name="parameters">The types of the parameters; none if the class has only one public constructor.</param>
    /// <exception cref="ArgumentNullException"><paramref name="construct"/> or <paramref name="parameters"/> is null.</exception>
    public static void Add(
        [DynamicallyAccessedMembers(Kept.Members)] Type? type, Func<object?[], object> construct, params Type?[] parameters)
    {
        ArgumentNullException.ThrowIfNull(construct);
        ArgumentNullException.ThrowIfNull(parameters);
        if (type is not null)
        {
            Compiled added = new(construct, parameters);
            Constructors.AddOrUpdate(type, static (_, one) => [one], static (_, known, one) => [.. known, one], added);
        }
    }

    /// <summary>Keeps a class from being trimmed, and its code in the program. The class is constructed by reflection.</summary>
    /// <param name="type">The class; null is ignored.</param>
    [SuppressMessage("Style", "IDE0060:Remove unused parameter", Justification = "Its annotation is what it is about.")]
    public static void Keep([DynamicallyAccessedMembers(Kept.Members)] Type? type)
    {
    }

    /// <summary>Compiles in <c>Lazy</c>, <c>Func</c>, <c>FreshScope</c>, lists and dictionaries of a struct.</summary>
    /// <typeparam name="T">The struct.</typeparam>
    public static void AddElement<T>()
        where T : notnull => Elements[typeof(T)] = TypeToken<T>.Instance;

    /// <summary>Compiles in functions with an argument that is a struct.</summary>
    /// <typeparam name="T1">The argument.</typeparam>
    /// <typeparam name="T">What it constructs; <c>object</c> stands for all classes.</typeparam>
    public static void AddFunction<T1, T>() => Compile(ArgumentFunctions.Of1<T1, T>);

    /// <summary>Compiles in functions with two arguments of which one is a struct.</summary>
    /// <typeparam name="T1">The first argument.</typeparam>
    /// <typeparam name="T2">The second argument.</typeparam>
    /// <typeparam name="T">What it constructs; <c>object</c> stands for all classes.</typeparam>
    public static void AddFunction<T1, T2, T>() => Compile(ArgumentFunctions.Of2<T1, T2, T>);

    /// <summary>Compiles in functions with three arguments of which one is a struct.</summary>
    /// <typeparam name="T1">The first argument.</typeparam>
    /// <typeparam name="T2">The second argument.</typeparam>
    /// <typeparam name="T3">The third argument.</typeparam>
    /// <typeparam name="T">What it constructs; <c>object</c> stands for all classes.</typeparam>
    public static void AddFunction<T1, T2, T3, T>() => Compile(ArgumentFunctions.Of3<T1, T2, T3, T>);

    /// <summary>Compiles in functions with four arguments of which one is a struct.</summary>
    /// <typeparam name="T1">The first argument.</typeparam>
    /// <typeparam name="T2">The second argument.</typeparam>
    /// <typeparam name="T3">The third argument.</typeparam>
    /// <typeparam name="T4">The fourth argument.</typeparam>
    /// <typeparam name="T">What it constructs; <c>object</c> stands for all classes.</typeparam>
    public static void AddFunction<T1, T2, T3, T4, T>() => Compile(ArgumentFunctions.Of4<T1, T2, T3, T4, T>);

    /// <summary>An argument that is a struct.</summary>
    /// <typeparam name="T">The type of the parameter.</typeparam>
    /// <param name="argument">The argument; null stands for the default value, as it does by reflection.</param>
    /// <returns>The value.</returns>
    /// <exception cref="InvalidCastException">The argument has another type.</exception>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static T? Argument<T>(object? argument) => argument is null ? default : (T)argument;

    /// <summary>The call of a constructor; null if none was added.</summary>
    internal static Func<object?[], object>? Find(ConstructorInfo constructor)
    {
        if (constructor.DeclaringType is not { } type || !Constructors.TryGetValue(type, out Compiled[]? added))
        {
            return null;
        }

        return Array.Find(added, each => each.Parameters.Length == 0)?.Construct
            ?? Array.Find(added, each => each.IsFor(constructor.GetParameters()))?.Construct;
    }

    /// <summary>The token of a struct; null if none was added.</summary>
    internal static TypeToken? ElementOf(Type type) => Elements.GetValueOrDefault(type);

    /// <summary>It is enough that the code is named.</summary>
    private static void Compile(Delegate function) => GC.KeepAlive(function);

    private sealed record Compiled(Func<object?[], object> Construct, Type?[] Parameters)
    {
        public bool IsFor(ParameterInfo[] parameters) =>
            parameters.Length == Parameters.Length
            && parameters.Zip(Parameters).All(pair => pair.First.ParameterType == pair.Second);
    }
}
