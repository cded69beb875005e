using Junctivor.Building;
using Junctivor.Graph;
using Junctivor.Reading;
using Junctivor.Registering;

namespace Junctivor;

// What is made from the registrations.
public sealed partial class Wiring
{
    /// <summary>What the last check has read, so that a build right after it need not read everything again.</summary>
    private WiringReading? _checked;

    /// <summary>Finds all configuration errors, without creating anything.</summary>
    /// <returns>The report; it has no faults if the wiring is sound.</returns>
    public CheckReport Check() => Check(new BuildOptions());

    /// <summary>Finds all configuration errors, without creating anything.</summary>
    /// <param name="options">The severities to apply.</param>
    /// <returns>The report; it has no faults if the wiring is sound.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="options"/> is null.</exception>
    public CheckReport Check(BuildOptions options)
    {
        ArgumentNullException.ThrowIfNull(options);
        WiringReading reading = TakeReading();
        Volatile.Write(ref _checked, reading);
        return options.ToReport(reading.Reader.Graph, reading.Found);
    }

    /// <summary>Finds all configuration errors, without creating anything, and also what entry points require and cannot have.</summary>
    /// <param name="options">The severities to apply.</param>
    /// <param name="entryPoints">The entry points that resolve services from outside the wiring, such as endpoints and controllers.</param>
    /// <returns>The report; it has no faults if the wiring is sound, and provides everything that the entry points require.</returns>
    /// <exception cref="ArgumentNullException">An argument is null.</exception>
    public CheckReport Check(BuildOptions options, IReadOnlyCollection<EntryPoint> entryPoints)
    {
        ArgumentNullException.ThrowIfNull(options);
        ArgumentNullException.ThrowIfNull(entryPoints);
        return WiringReading.Of(Entries(), entryPoints).ToReport(options);
    }

    /// <summary>
    /// Finds all configuration errors, and services that entry points require and cannot get, if only a container can return the entry
    /// points: such as when an application maps its endpoints.
    /// </summary>
    /// <param name="options">The severities to apply.</param>
    /// <param name="entryPoints">Returns them. It gets a container that knows the wiring, whether it is sound or not, and that has no
    /// values supplied; it is disposed at the end.</param>
    /// <returns>The report; it has no faults if the wiring is sound, and provides everything that the entry points require.</returns>
    /// <exception cref="ArgumentNullException">An argument is null, or <paramref name="entryPoints"/> returns null.</exception>
    public CheckReport Check(BuildOptions options, Func<Container, IReadOnlyCollection<EntryPoint>> entryPoints)
    {
        ArgumentNullException.ThrowIfNull(options);
        ArgumentNullException.ThrowIfNull(entryPoints);
        return Check(options, ReadEntryPoints(entryPoints));
    }

    /// <summary>Checks the whole wiring, and creates the container if it has no faults. No service is created yet. Warnings and notes
    /// do not stop it: read them in <see cref="Container.Report"/>, or log them with <see cref="BuildOptions.OnReport"/>.</summary>
    /// <param name="incoming">The values that the wiring declares with <c>Singleton.Incoming</c>.</param>
    /// <returns>The container; dispose it with <c>await using</c>.</returns>
    /// <exception cref="WiringException">The wiring has faults: its report has all of them.</exception>
    public Container Build(params ReadOnlySpan<Incoming> incoming) => BuildWith(null, incoming);

    /// <summary>Checks the whole wiring, and creates the container if it has no faults. No service is created yet. Warnings and notes
    /// do not stop it: read them in <see cref="Container.Report"/>, or log them with <see cref="BuildOptions.OnReport"/>.</summary>
    /// <param name="options">The severities to apply, and how the container works.</param>
    /// <param name="incoming">The values that the wiring declares with <c>Singleton.Incoming</c>.</param>
    /// <returns>The container; dispose it with <c>await using</c>.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="options"/> is null.</exception>
    /// <exception cref="WiringException">The wiring has faults: its report has all of them.</exception>
    public Container Build(BuildOptions options, params ReadOnlySpan<Incoming> incoming)
    {
        ArgumentNullException.ThrowIfNull(options);
        return BuildWith(options, incoming);
    }

    private Container BuildWith(BuildOptions? options, ReadOnlySpan<Incoming> incoming)
    {
        WiringReading reading = TakeReading();
        return BuildStep.Run(reading.Reader, reading.Found, incoming, options, parent: null);
    }

    /// <summary>Lets code read entry points, which asks a container what the wiring provides.</summary>
    internal IReadOnlyCollection<EntryPoint> ReadEntryPoints(Func<Container, IReadOnlyCollection<EntryPoint>> read)
    {
        Container container = BuildStep.Unchecked(Read(), new BuildOptions());
        try
        {
            return read(container);
        }
        finally
        {
            container.DisposeAsync().AsTask().GetAwaiter().GetResult();
        }
    }

    /// <summary>The graph of the wiring and of its entry points, and what is wrong with it, by the nodes of that graph.</summary>
    internal (ServiceGraph Graph, CheckReport Report) CheckedGraph(BuildOptions options, IReadOnlyCollection<EntryPoint> entryPoints)
    {
        WiringReading reading = WiringReading.Of(Entries(), entryPoints);
        return (reading.Reader.Graph, options.ToReport(reading.Reader.Graph, reading.Found));
    }

    /// <summary>The graph of the wiring and of its entry points, for reports.</summary>
    internal ServiceGraph ReadGraph(IReadOnlyCollection<EntryPoint> entryPoints) =>
        WiringReader.Read(Entries(), entryPoints).Graph;

    private WiringReader Read() => WiringReader.Read(Entries());

    private RegistrationData[] Entries()
    {
        RegistrationData[] entries = new RegistrationData[Count];
        for (int number = 0; number < entries.Length; number++)
        {
            entries[number] = _registrations[number].Data;
        }

        return entries;
    }

    /// <summary>What the last check has read, where nothing was added since and nobody else has taken it: a container goes on reading into
    /// it.</summary>
    private WiringReading TakeReading() =>
        Interlocked.Exchange(ref _checked, null) is { } read && read.Count == Count ? read : WiringReading.Of(Read(), Count);
}
