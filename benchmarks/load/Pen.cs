namespace Junctivor.Load;

/// <summary>Shares the page of its request.</summary>
public sealed class Pen(Page page, TideColumn tides)
{
    public double Draw() => page.Lines + tides.Low;
}
