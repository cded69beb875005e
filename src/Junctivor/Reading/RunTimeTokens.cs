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
        if (!GenericClosing.HasCode(token))
        {
            string name = TypeNames.Short(type);
            throw new NotSupportedException(
                $"This program was compiled natively, and has no code for Lazy<{name}>, lists and their like of {name}: register what "
                    + $"gives {name} with the type as a type argument, such as Singleton.Value<{name}>(…), which compiles them in.");
        }

        return (TypeToken)token.GetField(nameof(TypeToken<object>.Instance), BindingFlags.Public | BindingFlags.Static)!.GetValue(null)!;
    }
}
