using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>Knows which form of a collection, a task or a function the container creates in place of one that it does not.</summary>
internal static class CollectionForms
{
    private const string Collections = "System.Collections.";

    /// <summary>What to take instead, and why; null if there is nothing of the kind.</summary>
    public static (TypeRef Element, string Written, string Reason)? Offered(TypeRef requested)
    {
        if (requested.Arguments.Count == 0)
        {
            return null;
        }

        TypeRef last = requested.Arguments[requested.Arguments.Count - 1];
        return requested.DefinitionName switch
        {
            WellKnownTypes.TaskOf or WellKnownTypes.ValueTaskOf =>
                (last, last.Name,
                    $"a service that is created asynchronously cannot be resolved as this type; take the service itself"),
            string name when name.StartsWith(WellKnownTypes.AnyFunc, StringComparison.Ordinal) =>
                (last, $"Func<{last.Name}>", "a function can have up to four arguments"),
            string name when IsDictionary(name)
                && requested.Arguments[0].DefinitionName is WellKnownTypes.Text or WellKnownTypes.TypeOfTypes =>
                (last, $"IReadOnlyDictionary<{requested.Arguments[0].Name}, {last.Name}>",
                    "all marked registrations are provided as a read-only dictionary"),
            string name when name.StartsWith(Collections, StringComparison.Ordinal) && requested.Arguments.Count == 1 =>
                (last, $"IReadOnlyList<{last.Name}>", "all registrations of a service are provided as a read-only list"),
            _ => null,
        };
    }

    private static bool IsDictionary(string name) =>
        name.StartsWith(Collections, StringComparison.Ordinal) && name.EndsWith("Dictionary`2", StringComparison.Ordinal);
}
