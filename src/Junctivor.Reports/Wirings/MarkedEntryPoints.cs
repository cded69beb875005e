using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using Junctivor.Registering;

namespace Junctivor.Reports.Wirings;

/// <summary>A method that carries <see cref="CheckedEntryPointsAttribute"/>.</summary>
/// <param name="Wiring">The name of the wiring.</param>
/// <param name="Method">The method.</param>
internal sealed record MarkedEntryPoints(string Wiring, MethodInfo Method)
{
    private const BindingFlags Everything =
        BindingFlags.Public | BindingFlags.NonPublic | BindingFlags.Static | BindingFlags.Instance | BindingFlags.DeclaredOnly;

    private string Where => $"{Method.DeclaringType?.Name}.{Method.Name}";

    /// <summary>All of an assembly, whose types can be loaded.</summary>
    [RequiresUnreferencedCode(TrimmingReasons.Scanning)]
    public static IReadOnlyList<MarkedEntryPoints> In(Assembly assembly) =>
    [
        .. from type in assembly.GetTypes()
           from method in type.GetMethods(Everything)
           from mark in method.GetCustomAttributes<CheckedEntryPointsAttribute>()
           orderby method.DeclaringType?.FullName?.ToUpperInvariant(), method.MetadataToken
           select new MarkedEntryPoints(mark.Wiring, method),
    ];

    /// <summary>Why it belongs to no wiring of its assembly, as a sentence; null if it belongs to one.</summary>
    /// <param name="wirings">The names of the wirings.</param>
    public string? ProblemAmong(IReadOnlyList<string> wirings) =>
        wirings.Contains(Wiring) || (Wiring.Length == 0 && wirings.Count == 1) ? null
        : Wiring.Length == 0
            ? $"{Where} does not name the wiring of its entry points: write [CheckedEntryPoints(\"{wirings[0]}\")], or another of "
                + $"{string.Join(", ", wirings)}."
            : $"{Where} names a wiring '{Wiring}', but there is only {string.Join(", ", wirings)}.";

    /// <summary>Runs the method.</summary>
    /// <param name="container">What the wiring provides.</param>
    /// <exception cref="UnreadableWiringException">It is none that can be called, or it throws.</exception>
    public IReadOnlyCollection<EntryPoint> Read(Container container)
    {
        ParameterInfo[] parameters = Method.GetParameters();
        if (Method is not { IsStatic: true, IsPublic: true, ContainsGenericParameters: false } || parameters.Length > 1
            || parameters.Any(parameter => parameter.ParameterType != typeof(Container))
            || !typeof(IEnumerable<EntryPoint>).IsAssignableFrom(Method.ReturnType))
        {
            throw new UnreadableWiringException(
                $"{Where} has [CheckedEntryPoints], but is not a public static method that takes nothing or a Container, and returns a list "
                + "of EntryPoint.");
        }

        try
        {
            EntryPoint?[] read =
                [.. (IEnumerable<EntryPoint?>?)Method.Invoke(null, parameters.Length == 0 ? null : [container]) ?? [null]];
            return read.Contains(null)
                ? throw new UnreadableWiringException($"{Where} returned null instead of entry points.")
                : [.. read.OfType<EntryPoint>()];
        }
        catch (Exception failure) when (failure is not UnreadableWiringException)
        {
            // A sequence that is made while it is read throws without a wrapper.
            Exception cause = failure is TargetInvocationException ? failure.InnerException ?? failure : failure;
            string hint = cause is ResolveException { Report.All: [{ Code: "JV105" }, ..] }
                ? " The container has no values here: what is resolved while endpoints are mapped must not need one."
                : "";
            throw new UnreadableWiringException(
                $"{Where} threw {cause.GetType().Name}: {ExceptionText.FirstLineOf(cause)}{hint} The wiring is checked without its entry "
                + "points.");
        }
    }
}
