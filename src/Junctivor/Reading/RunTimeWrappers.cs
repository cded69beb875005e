using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using Junctivor.Registering;

namespace Junctivor.Reading;

/// <summary>The wrappers of a type that no entry names as a type argument.</summary>
internal static class RunTimeWrappers
{
    [UnconditionalSuppressMessage("AOT", "IL3050", Justification = "Only entries that are marked as requiring dynamic code lead here.")]
    [UnconditionalSuppressMessage("Trimming", "IL2055", Justification = "The type argument carries no requirement but notnull.")]
    public static Wrappers Of(Type type)
    {
        Type wrappers = typeof(Wrappers<>).MakeGenericType(type);
        return (Wrappers)wrappers.GetField(nameof(Wrappers<object>.Instance), BindingFlags.Public | BindingFlags.Static)!.GetValue(null)!;
    }
}
