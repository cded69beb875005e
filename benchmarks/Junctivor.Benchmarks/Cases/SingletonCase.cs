using System.Collections.Concurrent;
using Junctivor.Benchmarks.Services;

namespace Junctivor.Benchmarks.Cases;

/// <summary>A singleton by its type argument.</summary>
internal sealed class SingletonCase : Case
{
    private readonly Container _container = new Wiring { Singleton.Of<Tides>(), Singleton.Of<Quays>(), Transient.Of<Buoy>() }.Build();
    private readonly ConcurrentDictionary<Type, object> _byHand = new()
    {
        [typeof(Tides)] = new Tides(),
        [typeof(Quays)] = new Quays(),
        [typeof(Buoy)] = new Buoy(),
    };

    public override string Name => "singleton";

    public override string Against => "one dictionary look-up";

    public override int Times => 16;

    public override double Limit => 0.35;

    public override object? ByHand()
    {
        object? found = null;
        for (int time = 0; time < Times; time++)
        {
            _byHand.TryGetValue(typeof(Tides), out found);
        }

        return found;
    }

    public override object? Wired()
    {
        object? found = null;
        for (int time = 0; time < Times; time++)
        {
            found = _container.Resolve<Tides>();
        }

        return found;
    }
}
