namespace Junctivor.NativeLimits;

internal sealed class Registered
{
    public static object Find()
    {
        Wiring wiring = [.. SelfRegistered.In<Registered>()];
        using Container container = wiring.Build();
        return $"{container.Resolve<ISignal>().Name}, {container.Resolve<ISignal>("fog").Name}";
    }

    private interface ISignal
    {
        string Name { get; }
    }

    [SelfRegistered<ISignal>(Lifetime.Singleton)]
    private sealed class FlagMast : ISignal
    {
        public string Name => "a mast";
    }

    [SelfRegistered<ISignal>(Lifetime.Transient, Mark = "fog")]
    private sealed class Foghorn : ISignal
    {
        public string Name => "a horn";
    }
}
