using Junctivor.Building;
using Junctivor.Reading;

namespace Junctivor;

// How a container is made from another one.
public sealed partial class Container
{
    /// <summary>
    /// Creates a container that shares the singletons of this one, with some registrations added or replaced. The singletons of the
    /// added registrations are disposed with the branch. Scoped and transient services resolved from the branch use its replacements;
    /// singletons of this container do not: if that matters, <see cref="Report"/> of the branch warns (JV503).
    /// </summary>
    /// <param name="changes">The registrations to add; those with <c>Replacing</c> replace those of this container.</param>
    /// <param name="incoming">The values that <paramref name="changes"/> declare with <c>Singleton.Incoming</c>.</param>
    /// <returns>The branch; dispose it before this container, with <c>await using</c>.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="changes"/> is null.</exception>
    /// <exception cref="WiringException">The wiring with the changes has faults: all of them are in its report.</exception>
    /// <exception cref="ObjectDisposedException">The container is disposed.</exception>
    public Container Branch(Wiring changes, params ReadOnlySpan<Incoming> incoming)
    {
        ArgumentNullException.ThrowIfNull(changes);
        ThrowIfDisposed();
        WiringReader reader = WiringReader.Read([.. Plans.Reader.Entries, .. changes.Select(registration => registration.Data)]);
        return BuildStep.Run(reader, WiringReading.Of(reader, reader.Entries.Count).Found, incoming, _options, this);
    }
}
