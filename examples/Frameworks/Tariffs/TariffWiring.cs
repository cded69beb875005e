using Microsoft.Extensions.Options;

namespace Frameworks.Tariffs;

/// <summary>Options and their reload, made of the host's configuration: singletons take the monitor, and a scope has one value to its
/// end.</summary>
public static class TariffWiring
{
    public static Wiring Wiring =>
    [
        Singleton.From((IConfiguration configuration) => MonitorOf<Tariff>(configuration.GetSection("Tariff")))
            .Also<IOptionsMonitor<Tariff>>(),
        Scoped.From((IOptionsMonitor<Tariff> tariffs) => tariffs.CurrentValue),
        Transient.Of<Invoice>(),
    ];

    private static OptionsMonitor<T> MonitorOf<T>(IConfigurationSection section)
        where T : class => new OptionsMonitor<T>(
        new OptionsFactory<T>([new ConfigureFromConfigurationOptions<T>(section)], []),
        [new ConfigurationChangeTokenSource<T>(section)],
        new OptionsCache<T>());
}
