namespace Junctivor.Load;

/// <summary>What the bare endpoint requests.</summary>
public sealed class Writer(Page page, Pen pen)
{
    public string Write() => page.AddLine() > 0 && pen.Draw() > 1 ? "North 1" : "full";
}
