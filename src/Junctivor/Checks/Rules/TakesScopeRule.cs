using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>JV502: what is resolved from a scope or container by hand, no check can see; and JV301, where a singleton takes a scope.</summary>
internal sealed class TakesScopeRule : IRule
{
    public IEnumerable<Fault> Inspect(ServiceGraph graph, IReadOnlyCollection<Node> nodes)
    {
        foreach (Need need in nodes.SelectMany(graph.NeedsOf))
        {
            AmbientForm? form = need.Supply.All().OfType<Supply.Ambient>().FirstOrDefault()?.Form;
            if (form is AmbientForm.Scope && need.Consumer.Level == Level.Singleton)
            {
                yield return Captive(graph, need);
            }
            else if (form is AmbientForm.Scope or AmbientForm.Container)
            {
                yield return Unseen(graph, need);
            }
        }
    }

    private static Fault Captive(ServiceGraph graph, Need need) => new()
    {
        Code = "JV301",
        Name = "captive",
        Summary = $"{need.Consumer.Name} (singleton) holds the scope that it is first asked for in",
        Path = new Steps(graph).Node(need.Consumer).Need(need, "scoped", 1).Path,
        Cures = [$"take Container in {need.Consumer.Name}, and start a scope for each piece of work", $"register {need.Consumer.Name} with Scoped"],
        Candidates = [need.Consumer.Name],
        Order = need.Consumer.Order,
    };

    private static Fault Unseen(ServiceGraph graph, Need need) => new()
    {
        Code = "JV502",
        Name = "takes-scope",
        Severity = Severity.Note,
        Summary = $"{need.Consumer.Name} takes {need.Parameter.Type.Name}: what it resolves there cannot be checked",
        Path = new Steps(graph).Node(need.Consumer).Need(need, "", 1).Path,
        Cures = ["take what it needs as parameters, unless the type is known only at run time"],
        Candidates = [need.Consumer.Name],
        Order = need.Consumer.Order,
    };
}
