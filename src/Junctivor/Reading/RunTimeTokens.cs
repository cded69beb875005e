using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using Junctivor.Registering;

namespace Junctivor.Reading;

/// <summary>The token of a type that no entry names as a type argument.</summary>
internal static class RunTimeTokens
{
    [UnconditionalSuppressMessage("AOT", "IL3050", Justification = "Only entries that are marked as requiring dynamic code lead here.")]
    [UnconditionalSuppressMessage("Trimming", "IL2055", Justification = "The type argument carries no requirement but notnull.")]
    public static TypeToken Of(Type type)
    {
        Type token = typeof(TypeToken<>).MakeGenericType(type);
        return (TypeToken)token.GetField(nameof(TypeToken<object>.Instance), BindingFlags.Public | BindingFlags.Static)!.GetValue(null)!;
    }
}
