using Junctivor;

namespace Harbour_Office;

/// <summary>Which services there are, how each is created, and how long it lives.</summary>
public static class OfficeWiring
{
    [CheckedWiring("office")]   // junctivor check finds it by this
    public static Wiring Wiring =>
    [
        Singleton.Value(TimeProvider.System),
        Singleton.Value(Console.Out).Marked("berths"),
        Scoped.Of<BerthLedger>(),
        Transient.Of<BerthPlanner>().ResolvedDirectly(),
    ];
}
