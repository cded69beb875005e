using System.Runtime.CompilerServices;
using Microsoft.Extensions.Hosting;

namespace Junctivor.Hosting;

/// <summary>What an adapter, such as the one for the web server, does when a host starts and stops with a container. Safe for use by
/// several threads.</summary>
internal sealed class HostParts
{
    private static readonly ConditionalWeakTable<Container, HostParts> ByContainer = [];

    private readonly Lock _gate = new();
    private readonly List<Func<IHost, CheckReport?>> _checks = [];
    private readonly List<Func<IReadOnlyList<string>>> _openWork = [];

    public static HostParts Of(Container container) => ByContainer.GetOrCreateValue(container);

    /// <summary>Adds a check that is made before the warm-up. It throws where the host must not start; else it returns the report of what
    /// it checked, or null if it is not concerned.</summary>
    public void AddCheck(Func<IHost, CheckReport?> check)
    {
        lock (_gate)
        {
            _checks.Add(check);
        }
    }

    /// <summary>Adds what tells the names of work that is going on.</summary>
    public void AddOpenWork(Func<IReadOnlyList<string>> names)
    {
        lock (_gate)
        {
            _openWork.Add(names);
        }
    }

    /// <summary>The report of the last check that was concerned; null if none was.</summary>
    public CheckReport? Check(IHost host)
    {
        Func<IHost, CheckReport?>[] checks;
        lock (_gate)
        {
            checks = [.. _checks];
        }

        CheckReport? report = null;
        foreach (Func<IHost, CheckReport?> check in checks)
        {
            report = check(host) ?? report;
        }

        return report;
    }

    /// <summary>The names of the work that is going on, such as <c>GET /berths</c>.</summary>
    public IReadOnlyList<string> OpenWork()
    {
        lock (_gate)
        {
            return [.. _openWork.SelectMany(names => names())];
        }
    }
}
