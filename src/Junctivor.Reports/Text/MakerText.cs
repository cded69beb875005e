using Junctivor.Reports.Graphs;

namespace Junctivor.Reports.Text;

/// <summary>Tells in a few words what creates a registration.</summary>
internal static class MakerText
{
    private const int LongestCall = 60;

    /// <summary>The class, or the kind of the rest.</summary>
    public static string Of(SavedGraph graph, SavedRegistration registration) => registration.CreatedBy switch
    {
        "class" => graph.NameOf(registration.Type),
        "alias" => $"alias of {graph.NameOf(registration.Type)}",
        var kind => kind,
    };

    /// <summary>The same, with the constructor that is called: its parameters by name.</summary>
    public static string CallOf(SavedGraph graph, SavedRegistration registration)
    {
        IReadOnlyList<string> parameters = [.. registration.Needs.Where(dependency => !dependency.Property)
            .Select(dependency => dependency.Parameter)];
        IReadOnlyList<string> properties = [.. registration.Needs.Where(dependency => dependency.Property)
            .Select(dependency => dependency.Parameter)];
        string filled = properties.Count == 0 ? "" : $" {{ {string.Join(", ", properties)} }}";
        string arguments = string.Join(", ", parameters);
        return registration.CreatedBy switch
        {
            "class" => Shortened($"new {graph.NameOf(registration.Type)}(", arguments, $"){filled}"),
            "factory" or "async factory" => Shortened($"{registration.CreatedBy} (", arguments, ")"),
            _ => Of(graph, registration),
        };
    }

    private static string Shortened(string start, string arguments, string end) =>
        start.Length + arguments.Length + end.Length <= LongestCall ? start + arguments + end : $"{start}…)";
}
