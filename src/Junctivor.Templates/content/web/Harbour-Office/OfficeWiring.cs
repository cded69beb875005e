using Junctivor;

namespace Harbour_Office;

/// <summary>Which services there are, how each is created, and how long it lives.</summary>
public static class OfficeWiring
{
    [CheckedWiring("office")]   // junctivor check finds it by this
    public static Wiring Wiring =>
    [
        .. HostWiring.Logging(),                // ILogger<T>, from the host
        Scoped.Of<BerthLedger>(),               // one for each request
        Transient.Of<BerthPlanner>(),           // a new one for each that takes it
    ];
}
