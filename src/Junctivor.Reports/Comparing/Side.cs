using Junctivor.Reports.Graphs;

namespace Junctivor.Reports.Comparing;

/// <summary>One of two graphs that are compared: who serves what, undecorated, and who decorates what.</summary>
internal sealed class Side
{
    private readonly SavedGraph _graph;
    private readonly Dictionary<string, List<SavedRegistration>> _serving = new(StringComparer.Ordinal);
    private readonly HashSet<SavedRegistration> _first = new(ReferenceEqualityComparer.Instance);
    private readonly HashSet<(string, SavedRegistration)> _firsts = [];

    public Side(SavedGraph graph)
    {
        _graph = graph;
        Dictionary<string, SavedRegistration> byId =
            graph.Registrations.ToDictionary(registration => registration.Id, StringComparer.Ordinal);
        foreach (SavedService service in graph.Services)
        {
            foreach (string id in service.By)
            {
                Enter(NameOf(service.Service, service.Mark), Innermost(byId[id], byId));
            }
        }

        foreach (SavedRegistration decorator in graph.Registrations.Where(
            registration => registration is { Decorator: true, FollowsFrom: null }))
        {
            Enter($"decorators of {NameOf(decorator.Services[0], decorator.Mark)}", decorator);
        }
    }

    /// <summary>The services, with their marks; and their decorators.</summary>
    public IEnumerable<string> Services => _serving.Keys;

    public IReadOnlyList<SavedRegistration> Serving(string service) =>
        _serving.TryGetValue(service, out List<SavedRegistration>? serving) ? serving : [];

    /// <summary>Whether it is the first service of the registration: what is said once, is said there.</summary>
    public bool IsFirst(string service, SavedRegistration registration) => _firsts.Contains((service, registration));

    public string Describe(SavedRegistration registration) => registration.Decorator
        ? Maker(registration)
        : $"{Maker(registration)} "
            + $"({registration.Lifetime}{(registration.OnlyFor is null ? "" : $", for {_graph.NameOf(registration.OnlyFor)} only")})";

    public string Describe(SavedNeed dependency) =>
        $"{(dependency.Mark is null ? "" : $"[{_graph.NameOf(dependency.Mark)}] ")}{_graph.NameOf(dependency.Service)} "
            + $"{dependency.Parameter}{(dependency.Gets == "constant" ? " (a constant)" : "")}";

    public string Names(IEnumerable<SavedRegistration> registrations) => string.Join(", ", registrations.Select(Maker));

    private string Maker(SavedRegistration registration) => registration.CreatedBy switch
    {
        "class" => _graph.NameOf(registration.Type),
        "alias" => $"alias of {_graph.NameOf(registration.Type)}",
        var kind => $"{kind} of {_graph.NameOf(registration.Type)}",
    };

    private string NameOf(string service, string? mark) => _graph.NameOf(service) + (mark is null ? "" : $" marked {_graph.NameOf(mark)}");

    private void Enter(string service, SavedRegistration registration)
    {
        if (!_serving.TryGetValue(service, out List<SavedRegistration>? serving))
        {
            _serving.Add(service, serving = []);
        }

        serving.Add(registration);
        if (_first.Add(registration))
        {
            _firsts.Add((service, registration));
        }
    }

    private static SavedRegistration Innermost(SavedRegistration registration, Dictionary<string, SavedRegistration> byId)
    {
        SavedRegistration inner = registration;
        while (inner.Around is { } around)
        {
            inner = byId[around];
        }

        return inner;
    }
}
