using Frameworks.Circuits;
using Frameworks.Data;
using Frameworks.Departures;
using Frameworks.Night;
using Frameworks.Tariffs;
using Frameworks.Weather;

namespace Frameworks;

/// <summary>The whole wiring: a module for each framework.</summary>
public static class FrameworksWiring
{
    [CheckedWiring("frameworks")]
    public static Wiring Wiring =>
    [
        .. HostWiring.Logging(),
        Singleton.Incoming<IConfiguration>(),
        Scoped.Incoming<Clerk>(),
        .. DataWiring.Wiring,
        .. WeatherWiring.Wiring,
        .. TariffWiring.Wiring,
        .. NightWiring.Wiring,
        .. CircuitWiring.Wiring,
    ];
}
