using Harbour.Contracts;
using Junctivor;

namespace Harbour.Loudhailer;

/// <summary>What this plug-in brings.</summary>
public static class LoudhailerWiring
{
    [CheckedWiring("loudhailer")]
    public static Wiring Wiring => [Singleton.Of<INoticeChannel, Loudhailer>()];
}
