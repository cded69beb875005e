using Junctivor;

namespace Mistakes.Samples;

/// <summary>JV506: the invoice asks for tariffs again and again, and there is one book of them.</summary>
public static class NotFresh
{
    [CheckedWiring("JV506")]
    public static Wiring Wiring =>
    [
        Singleton.Of<TariffBook>(),
        Transient.Of<Invoice>(),
    ];

    private sealed class TariffBook
    {
        public decimal PerMetre => 4.50m;
    }

    private sealed class Invoice(Func<TariffBook> tariffs)
    {
        public decimal For(int metres) => metres * tariffs().PerMetre;
    }
}
