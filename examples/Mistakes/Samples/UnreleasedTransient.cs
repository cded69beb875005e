using Junctivor;

namespace Mistakes.Samples;

/// <summary>JV304: each radio call opens a connection, and none is closed before the office is.</summary>
public static class UnreleasedTransient
{
    [CheckedWiring("JV304")]
    public static Wiring Wiring =>
    [
        Transient.Of<RadioLink>(),
        Singleton.Of<RadioRoom>(),
    ];

    private sealed class RadioLink : IDisposable
    {
        public void Dispose()
        {
        }
    }

    private sealed class RadioRoom(Func<RadioLink> open);
}
