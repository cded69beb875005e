using Junctivor.Building;
using Junctivor.Reading;

namespace Junctivor;

// How a container is made from another one.
public sealed partial class Container
{
    /// <summary>
    /// Makes a container that shares this one's singletons, with some registrations added or replaced. What the branch
    /// registers lives and ends with the branch; scoped and transient services resolved through it see what it replaces.
    /// Singletons of this container do not; where that matters, <see cref="Report"/> of the branch warns (JV503).
    /// </summary>
    /// <param name="changes">The registrations to add; <c>Replacing</c> takes the place of those of this container.</param>
    /// <param name="incoming">The values that <paramref name="changes"/> promise with <c>Singleton.Incoming</c>.</param>
    /// <returns>The branch; end it before this container, with <c>await using</c>.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="changes"/> is null.</exception>
    /// <exception cref="WiringException">The wiring with the changes has faults: all of them are in its report.</exception>
    /// <exception cref="ObjectDisposedException">The container has ended.</exception>
    public Container Branch(Wiring changes, params ReadOnlySpan<Incoming> incoming)
    {
        ArgumentNullException.ThrowIfNull(changes);
        ThrowIfEnded();
        WiringReader reader = new([.. Plans.Reader.Entries, .. changes.Select(registration => registration.Data)]);
        return BuildStep.Run(reader, WiringReading.Of(reader, reader.Entries.Count).Found, incoming, _options, this);
    }
}
