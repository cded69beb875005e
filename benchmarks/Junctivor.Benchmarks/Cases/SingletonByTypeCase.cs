using System.Collections.Concurrent;
using Junctivor.Benchmarks.Services;

namespace Junctivor.Benchmarks.Cases;

/// <summary>A singleton by a type that is known only at run time.</summary>
internal sealed class SingletonByTypeCase : Case
{
    private readonly Container _container = new Wiring { Singleton.Of<Tides>(), Singleton.Of<Quays>(), Transient.Of<Buoy>() }.Build();
    private readonly ConcurrentDictionary<Type, object> _byHand = new()
    {
        [typeof(Tides)] = new Tides(),
        [typeof(Quays)] = new Quays(),
        [typeof(Buoy)] = new Buoy(),
    };

    private readonly Type _wanted = typeof(Tides);

    public override string Name => "singleton-by-type";

    public override string Against => "one dictionary look-up";

    public override int Times => 16;

    public override double Limit => 0.65;

    public override object? ByHand()
    {
        object? found = null;
        for (int time = 0; time < Times; time++)
        {
            _byHand.TryGetValue(_wanted, out found);
        }

        return found;
    }

    public override object? Wired()
    {
        object? found = null;
        for (int time = 0; time < Times; time++)
        {
            found = _container.Resolve(_wanted);
        }

        return found;
    }
}
