using Junctivor;

namespace Mistakes.Samples;

/// <summary>JV403: the almanac is loaded by its warm-up, and nobody warms up the container.</summary>
public static class NotWarmedUp
{
    public static void UseAndDispose(Action<CheckReport> log)
    {
        Wiring wiring = [Singleton.Of<Almanac>().WarmUp((almanac, cancellationToken) => almanac.LoadAsync(cancellationToken))];
        using Container container = wiring.Build(new BuildOptions { OnReport = log });
        _ = container.Resolve<Almanac>().Pages;
    }

    private sealed class Almanac
    {
        public int Pages { get; private set; }

        public Task LoadAsync(CancellationToken cancellationToken)
        {
            Pages = 365;
            return Task.CompletedTask;
        }
    }
}
