using Junctivor.Checks;
using Junctivor.Graph;
using Junctivor.Reports.Drawing;
using Junctivor.Reports.Graphs;

namespace Junctivor.Reports.Tests;

/// <summary>A wrapper is described in one place: a made-up one is known to the check, to drawings and to saved graphs.</summary>
public class DeferredFormTests
{
    private static readonly Wiring Wiring = [Singleton.Of<NightWatch>(), Scoped.Of<Lantern>()];

    static DeferredFormTests() => DeferredForm.Add(new DeferredForm("ThreadLocal", "per thread", "System.Threading.ThreadLocal`1"));

    [Fact]
    public void A_report_names_it()
    {
        Fault fault = Assert.Single(Wiring.Check().Errors);

        Assert.Equal("JV301", fault.Kind.Code);
        Assert.Contains("A ThreadLocal does not help: it resolves in the scope of its holder.", fault.Remarks);
    }

    [Fact]
    public void A_saved_graph_names_it() =>
        Assert.Equal("per thread", Assert.Single(SavedGraph.Of("night", Wiring).Registrations[0].Needs).Gets);

    [Fact]
    public void A_drawing_shows_it_as_deferred()
    {
        DrawnGraph drawing = GraphDrawer.Draw(SavedGraph.Of("night", Wiring));

        Assert.True(Assert.Single(drawing.Edges).IsDeferred);
        Assert.Contains("per thread", DotText.Write(drawing), StringComparison.Ordinal);
        Assert.Contains("-.->", MermaidText.Write(drawing), StringComparison.Ordinal);
    }

    public sealed class Lantern;

    public sealed class NightWatch(ThreadLocal<Lantern> lantern)
    {
        public object Lantern => lantern;
    }
}
