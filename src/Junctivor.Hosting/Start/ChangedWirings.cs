using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using System.Reflection.Metadata;

[assembly: MetadataUpdateHandler(typeof(Junctivor.Hosting.ChangedWirings))]

namespace Junctivor.Hosting;

/// <summary>
/// Hears of code that is changed while the program runs, such as by <c>dotnet watch</c>: a container keeps the registrations that it was
/// built with, so a change of a wiring is told, and not silently without effect. Safe for use by several threads.
/// </summary>
internal static class ChangedWirings
{
    private const BindingFlags Own =
        BindingFlags.Public | BindingFlags.NonPublic | BindingFlags.Static | BindingFlags.Instance | BindingFlags.DeclaredOnly;

    private static readonly Lock Gate = new();
    private static readonly List<Action<string>> Listeners = [];

    /// <summary>Calls with a sentence for each change, until the result is disposed.</summary>
    public static IDisposable Listen(Action<string> tell)
    {
        lock (Gate)
        {
            Listeners.Add(tell);
        }

        return new Listening(tell);
    }

    /// <summary>Called by the runtime, with the types of which code was changed; null if it does not know.</summary>
    public static void UpdateApplication(Type[]? updatedTypes)
    {
        Action<string>[] listeners;
        lock (Gate)
        {
            listeners = [.. Listeners];
        }

        foreach (string name in (updatedTypes ?? []).Select(Outermost).Distinct().Where(HasWiring).Select(type => type.Name))
        {
            foreach (Action<string> tell in listeners)
            {
                tell($"{name}, which has a wiring, was changed. The container keeps the registrations that it was built with: restart the "
                    + "program, in dotnet watch with Ctrl+R.");
            }
        }
    }

    private static Type Outermost(Type type)
    {
        while (type.DeclaringType is { } outer)
        {
            type = outer;
        }

        return type;
    }

    /// <summary>Whether a type, or what the compiler made of its methods, has a wiring: as a member, or as a variable.</summary>
    [UnconditionalSuppressMessage("Trimming", "IL2070", Justification = "A program that is trimmed is not changed while it runs.")]
    [UnconditionalSuppressMessage("Trimming", "IL2026", Justification = "A program that is trimmed is not changed while it runs.")]
    private static bool HasWiring(Type type) =>
        type.GetFields(Own).Any(field => field.FieldType == typeof(Wiring))
        || type.GetMethods(Own).Any(method => method.ReturnType == typeof(Wiring)
            || method.GetMethodBody()?.LocalVariables.Any(variable => variable.LocalType == typeof(Wiring)) == true)
        || type.GetNestedTypes(Own).Any(HasWiring);

    private sealed class Listening(Action<string> tell) : IDisposable
    {
        public void Dispose()
        {
            lock (Gate)
            {
                Listeners.Remove(tell);
            }
        }
    }
}
