namespace Junctivor.Load;

/// <summary>One for all requests.</summary>
public sealed class TideTable
{
    public double Low => 0.3;
}
