using System.Diagnostics.CodeAnalysis;
using System.Reflection;

namespace Junctivor.Registering;

/// <summary>Creates functions of a type known only at run time, of one to four arguments.</summary>
internal static class ArgumentFunctions
{
    private static readonly MethodInfo[] Creators =
    [
        Creator(nameof(Of1)), Creator(nameof(Of2)), Creator(nameof(Of3)), Creator(nameof(Of4)),
    ];

    /// <param name="function">The type, such as <c>Func&lt;int, Ticket&gt;</c>.</param>
    /// <param name="construct">What each call does with its arguments.</param>
    /// <exception cref="NotSupportedException">The program was compiled natively, and has no code for functions with arguments of these
    /// structs.</exception>
    [UnconditionalSuppressMessage("AOT", "IL3050", Justification = "Where there is no code, the caller goes another way.")]
    [UnconditionalSuppressMessage("Trimming", "IL2060", Justification = "The creators ask nothing of their type arguments.")]
    public static object Create(Type function, Func<object?[], object> construct)
    {
        Type[] arguments = function.GenericTypeArguments;
        return Creators[arguments.Length - 2].MakeGenericMethod(arguments).Invoke(null, [construct])!;
    }

    public static Func<T1, T> Of1<T1, T>(Func<object?[], object> construct) => one => (T)construct([one]);

    public static Func<T1, T2, T> Of2<T1, T2, T>(Func<object?[], object> construct) => (one, two) => (T)construct([one, two]);

    public static Func<T1, T2, T3, T> Of3<T1, T2, T3, T>(Func<object?[], object> construct) =>
        (one, two, three) => (T)construct([one, two, three]);

    public static Func<T1, T2, T3, T4, T> Of4<T1, T2, T3, T4, T>(Func<object?[], object> construct) =>
        (one, two, three, four) => (T)construct([one, two, three, four]);

    private static MethodInfo Creator(string name) =>
        typeof(ArgumentFunctions).GetMethod(name, BindingFlags.Public | BindingFlags.Static)!;
}
