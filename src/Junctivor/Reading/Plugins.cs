using System.Collections;
using System.Diagnostics.CodeAnalysis;
using System.Runtime.CompilerServices;
using System.Runtime.Loader;
using Junctivor.Graph;
using Junctivor.Reading;
using Junctivor.Registering;

namespace Junctivor;

/// <summary>
/// The wirings of the assemblies in a folder, to be spread in a <see cref="Wiring"/>. Each assembly is loaded in its own load context,
/// which can be collected after every container built with it is disposed; assemblies that the program has loaded are shared. The wirings
/// with
/// <see cref="CheckedWiringAttribute"/> are used. Immutable.
/// </summary>
/// <example>
/// <code>
/// Wiring wiring = [Singleton.Of&lt;NoticeBoard&gt;(), .. Plugins.In("plugins")];
/// </code>
/// </example>
public sealed class Plugins : IReadOnlyCollection<Registration>
{
    private readonly List<Registration> _registrations = [];
    private readonly List<string> _loaded = [];
    private readonly List<string> _leftOut = [];

    private Plugins()
    {
    }

    /// <summary>The number of registrations that the plug-ins bring.</summary>
    public int Count => _registrations.Count;

    /// <summary>The names of the files that contain a wiring, in alphabetical order.</summary>
    public IReadOnlyList<string> Loaded => _loaded;

    /// <summary>The files that could not be used, each with the reason. A check reports them too (JV207).</summary>
    public IReadOnlyList<string> Skipped => _leftOut;

    /// <summary>Loads the assemblies of a folder.</summary>
    /// <param name="folder">The folder; a relative path starts from the folder of the program.</param>
    /// <param name="file">Filled in by the compiler: the source file of the call.</param>
    /// <param name="line">Filled in by the compiler: the line of the call.</param>
    /// <returns>Their registrations. A file that cannot be used is skipped and reported (JV207); the rest is loaded.</returns>
    /// <exception cref="ArgumentException"><paramref name="folder"/> is null or blank.</exception>
    /// <exception cref="DirectoryNotFoundException">The folder does not exist.</exception>
    /// <exception cref="PlatformNotSupportedException">The program was trimmed or compiled natively when it was published.</exception>
    [RequiresUnreferencedCode(TrimmingReasons.Plugins)]
    public static Plugins In(string folder, [CallerFilePath] string file = "", [CallerLineNumber] int line = 0)
    {
        ArgumentException.ThrowIfNullOrWhiteSpace(folder);
        ScanningSupport.ThrowIfRefused(
            $"The plug-ins in '{folder}' cannot be loaded: this program was trimmed or compiled natively when it was published. Reference the "
                + "project of each plug-in, and spread its wiring: .. Flags.Wiring. If the program is trimmed, not native, and whatever its "
                + "plug-ins need is kept, set <JunctivorScanning>true</JunctivorScanning> in its project.");
        string full = Path.GetFullPath(folder, AppContext.BaseDirectory);
        if (!Directory.Exists(full))
        {
            throw new DirectoryNotFoundException($"The plug-in folder {full} does not exist: create it, or name another.");
        }

        Plugins plugins = new();
        SourcePlace place = new(file, line);
        foreach (string path in Directory.EnumerateFiles(full, "*.dll").Order(StringComparer.Ordinal))
        {
            if (plugins.TryLoad(path) is { } trouble)
            {
                plugins._leftOut.Add(trouble);
                plugins._registrations.Add(new Registration<object>(new RegistrationData
                {
                    Service = typeof(object),
                    Source = new InstanceSource.Unreadable(path, trouble, IsPlugin: true),
                    Level = Level.Singleton,
                    Place = place,
                }));
            }
        }

        return plugins;
    }

    /// <summary>Enumerates the registrations, file by file.</summary>
    /// <returns>An enumerator over the registrations.</returns>
    public IEnumerator<Registration> GetEnumerator() => _registrations.GetEnumerator();

    IEnumerator IEnumerable.GetEnumerator() => GetEnumerator();

    /// <summary>The loaded and the skipped files, for people.</summary>
    /// <returns>A line for each file.</returns>
    public override string ToString() =>
        string.Join('\n', _loaded.Select(name => $"{name}: loaded").Concat(_leftOut.Select(reason => $"{reason} (skipped)")));

    /// <summary>Returns a sentence if the file cannot be used; null for an assembly that is only a dependency of others.</summary>
    [RequiresUnreferencedCode(TrimmingReasons.Plugins)]
    private string? TryLoad(string path)
    {
        string name = Path.GetFileName(path);
        if (AssemblyLoadContext.Default.Assemblies.Any(loaded => loaded.GetName().Name == Path.GetFileNameWithoutExtension(path)))
        {
            return null;
        }

        PluginContext context = new(path);
        try
        {
            IReadOnlyList<Wiring> wirings = [.. MarkedWiring.In(context.LoadPlugin()).Select(marked => marked.Read())];
            IReadOnlyList<Registration> brought = [.. wirings.SelectMany(wiring => wiring)
                .Select(registration => registration.From(context))];
            if (ReadingFaults.FirstOf([.. brought.Select(registration => registration.Data)]) is { } trouble)
            {
                context.Unload();
                return $"{name} has no wiring: {trouble}";
            }

            if (brought.Count == 0)
            {
                context.Unload();
                return null;
            }

            _registrations.AddRange(brought);
            _loaded.Add(name);
            return null;
        }
        catch (Exception failure) when (failure is WiringSourceException || LoadFailure.Is(failure))
        {
            context.Unload();
            return failure is BadImageFormatException
                ? $"{name} is not a .NET assembly that this program can load"
                : $"{name} has no wiring: {ExceptionText.FirstLineOf(failure)}";
        }
    }
}
