using Junctivor;

namespace Mistakes.Samples;

/// <summary>JV103: the invoice can be created in two ways, and nothing says in which.</summary>
public static class SeveralConstructors
{
    [CheckedWiring("JV103")]
    public static Wiring Wiring =>
    [
        Singleton.Of<TariffBook>(),
        Transient.Of<Invoice>(),
    ];

    private sealed class TariffBook;

    private sealed class Invoice
    {
        public Invoice(TariffBook tariffs)
        {
        }

        public Invoice(TariffBook tariffs, decimal discount)
        {
        }
    }
}
