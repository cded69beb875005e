using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using Junctivor.CompilerServices;
using Junctivor.Registering;

namespace Junctivor.Reading;

/// <summary>The token of a type that no entry names as a type argument.</summary>
internal static class RunTimeTokens
{
    public static TypeToken Of(Type type) => CompiledRecipes.ElementOf(type) ?? Closed(type);

    [UnconditionalSuppressMessage("AOT", "IL3050", Justification = "Where there is no code, that is said.")]
    [UnconditionalSuppressMessage("Trimming", "IL2055", Justification = "The type argument carries no requirement but notnull.")]
    private static TypeToken Closed(Type type)
    {
        Type token = typeof(TypeToken<>).MakeGenericType(type);
        if (!CompiledCode.IsThereFor(token))
        {
            string name = TypeNames.Short(type);
            throw new NotSupportedException(
                $"This program was compiled natively, and has no code for Lazy<{name}>, lists and their like of {name}, because the compiler saw "
                    + "no use of them: the wiring could not be followed (JV901), or they are resolved by a type known only at run time. "
                    + $"Register what gives {name} with the type as a type argument, such as Singleton.Value<{name}>(…), which compiles them in.");
        }

        return (TypeToken)token.GetField(nameof(TypeToken<object>.Instance), BindingFlags.Public | BindingFlags.Static)!.GetValue(null)!;
    }
}
