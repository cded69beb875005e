using Junctivor.Building;
using Junctivor.Checks;

namespace Junctivor;

// How a container is checked against the entry points that resolve services from it.
public sealed partial class Container
{
    /// <summary>
    /// Checks the wiring of this container together with the entry points that resolve services from it, without creating anything.
    /// What only they use counts as used. Adapters for frameworks call this before the program does its work.
    /// </summary>
    /// <param name="entryPoints">The entry points that resolve services from outside the wiring, such as endpoints and controllers.</param>
    /// <returns>The report, with the severities of the build; it has faults where an entry point requires what it cannot have.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="entryPoints"/> is null.</exception>
    /// <exception cref="ObjectDisposedException">The container is disposed.</exception>
    public CheckReport Check(IReadOnlyCollection<EntryPoint> entryPoints)
    {
        ArgumentNullException.ThrowIfNull(entryPoints);
        ThrowIfDisposed();
        WiringReading reading = WiringReading.Of(Plans.Reader.Entries, entryPoints);

        // What a branch does not reach was told by its build, which knows its parent.
        return _options.ToReport(
            reading.Reader.Graph, reading.Found.Concat(Report.All.Where(fault => fault.Kind == FaultKind.BranchNotSeen)));
    }
}
