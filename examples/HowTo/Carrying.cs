namespace HowTo;

/// <summary>Classes can carry their own registration. Nothing is scanned unseen: what was taken can be printed.</summary>
internal static class Carrying
{
    public static void Run()
    {
        SelfRegistered taken = SelfRegistered.In<FlagMast>().Where(type => type.Namespace == "HowTo");
        WriteLine(taken);

        Wiring wiring = [.. taken];
        using Container container = wiring.Build();
        WriteLine();
        WriteLine($"Two attributes, one instance: {ReferenceEquals(container.Resolve<FlagMast>(), container.Resolve<ISignal>())}");
    }

    private interface ISignal;

    [SelfRegistered(Lifetime.Singleton)]
    [SelfRegistered<ISignal>(Lifetime.Singleton)]
    private sealed class FlagMast : ISignal;

    [SelfRegistered<ISignal>(Lifetime.Transient, Mark = "fog")]
    private sealed class Foghorn : ISignal;
}
