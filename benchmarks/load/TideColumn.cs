namespace Junctivor.Load;

/// <summary>One for all requests of the bare endpoint.</summary>
public sealed class TideColumn
{
    public double Low => 0.3;
}
