using Harbour.Contracts;
using Junctivor;

namespace Harbour.Flags;

/// <summary>What this plug-in brings: a channel, and an endpoint that shows what hangs there.</summary>
public static class FlagsWiring
{
    [CheckedWiring("flags")]
    public static Wiring Wiring =>
    [
        Singleton.Of<FlagMast>().Also<INoticeChannel>(),
        Singleton.Of<IContributesEndpoints, FlagEndpoints>(),
    ];
}
