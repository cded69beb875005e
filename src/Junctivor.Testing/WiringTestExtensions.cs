using System.Runtime.CompilerServices;

namespace Junctivor.Testing;

/// <summary>One-line assertions about a wiring, and replacements of services, for tests.</summary>
/// <example>
/// <code>
/// [Fact]
/// public void The_wiring_is_sound() => HarbourWiring.Wiring.MustBeSound();
///
/// [Fact]
/// public void The_wiring_means_what_it_did() => HarbourWiring.Wiring.MustMatch("office.json");
/// </code>
/// </example>
public static class WiringTestExtensions
{
    private static readonly BuildOptions WithoutWarnings = new() { WarningsAreErrors = true };

    /// <summary>Checks a wiring.</summary>
    /// <param name="wiring">The wiring.</param>
    /// <exception cref="WiringTestException">It has errors. The message has all faults.</exception>
    /// <exception cref="ArgumentNullException"><paramref name="wiring"/> is null.</exception>
    public static void MustBeSound(this Wiring wiring)
    {
        ArgumentNullException.ThrowIfNull(wiring);
        Require(wiring.Check());
    }

    /// <summary>Checks a wiring, and what entry points require of it.</summary>
    /// <param name="wiring">The wiring.</param>
    /// <param name="entryPoints">The entry points that resolve services from outside the wiring.</param>
    /// <exception cref="WiringTestException">It has errors. The message has all faults.</exception>
    /// <exception cref="ArgumentNullException">An argument is null.</exception>
    public static void MustBeSound(this Wiring wiring, IReadOnlyCollection<EntryPoint> entryPoints)
    {
        ArgumentNullException.ThrowIfNull(wiring);
        Require(wiring.Check(new BuildOptions(), entryPoints));
    }

    /// <summary>Checks a wiring, and what entry points require of it that are read by a method, such as one with
    /// <see cref="CheckedEntryPointsAttribute"/>.</summary>
    /// <param name="wiring">The wiring.</param>
    /// <param name="entryPoints">Returns the entry points that resolve services from outside the wiring. The container that it gets knows
    /// the wiring, and no values.</param>
    /// <exception cref="WiringTestException">It has errors. The message has all faults.</exception>
    /// <exception cref="ArgumentNullException">An argument is null.</exception>
    public static void MustBeSound(this Wiring wiring, Func<Container, IReadOnlyCollection<EntryPoint>> entryPoints)
    {
        ArgumentNullException.ThrowIfNull(wiring);
        Require(wiring.Check(new BuildOptions(), entryPoints));
    }

    /// <summary>Checks a wiring; a warning that no registration accepts also fails the test.</summary>
    /// <param name="wiring">The wiring.</param>
    /// <exception cref="WiringTestException">It has errors or warnings. The message has all faults.</exception>
    /// <exception cref="ArgumentNullException"><paramref name="wiring"/> is null.</exception>
    public static void MustHaveNoWarnings(this Wiring wiring)
    {
        ArgumentNullException.ThrowIfNull(wiring);
        Require(wiring.Check(WithoutWarnings));
    }

    /// <summary>Checks a wiring, and the services that entry points resolve from it; a warning that no registration accepts also fails the
    /// test.</summary>
    /// <param name="wiring">The wiring.</param>
    /// <param name="entryPoints">Returns the entry points that resolve services from outside the wiring. The container that it gets knows
    /// the wiring, and no values.</param>
    /// <exception cref="WiringTestException">It has errors or warnings. The message has all faults.</exception>
    /// <exception cref="ArgumentNullException">An argument is null.</exception>
    public static void MustHaveNoWarnings(this Wiring wiring, Func<Container, IReadOnlyCollection<EntryPoint>> entryPoints)
    {
        ArgumentNullException.ThrowIfNull(wiring);
        Require(wiring.Check(WithoutWarnings, entryPoints));
    }

    /// <summary>
    /// Compares the graph of a wiring with a file that is kept in the repository: registrations, lifetimes, and what each gets; the places
    /// in the source do not count. If there is no file, it is written. If they differ, the new graph is written beside it, with
    /// <c>.new</c> in its name.
    /// </summary>
    /// <param name="wiring">The wiring.</param>
    /// <param name="file">The file, relative to the folder of the calling source file, such as <c>office.json</c>. Its form is the one that
    /// <c>junctivor compare</c> reads.</param>
    /// <param name="callingFile">The source file; the compiler passes it.</param>
    /// <exception cref="WiringTestException">They differ: the message has the differences. Or the file was written: read it, and commit it.
    /// </exception>
    /// <exception cref="ArgumentNullException"><paramref name="wiring"/> is null.</exception>
    /// <exception cref="ArgumentException"><paramref name="file"/> is null or empty.</exception>
    public static void MustMatch(this Wiring wiring, string file, [CallerFilePath] string callingFile = "")
    {
        ArgumentNullException.ThrowIfNull(wiring);
        ArgumentException.ThrowIfNullOrEmpty(file);
        new GraphFile(Path.GetFullPath(file, Path.GetDirectoryName(callingFile) is { Length: > 0 } folder ? folder : ".")).MustHave(wiring);
    }

    /// <summary>Replaces a service by an existing object, such as a stub.</summary>
    /// <typeparam name="TService">The service; the wiring must have it.</typeparam>
    /// <param name="wiring">The wiring; it is not changed.</param>
    /// <param name="instead">The object; the test disposes it.</param>
    /// <param name="file">The source file; the compiler passes it.</param>
    /// <param name="line">The line; the compiler passes it.</param>
    /// <returns>Another wiring. If there is nothing to replace, its check reports JV203.</returns>
    /// <exception cref="ArgumentNullException">An argument is null.</exception>
    public static Wiring Replace<TService>(
        this Wiring wiring, TService instead, [CallerFilePath] string file = "", [CallerLineNumber] int line = 0)
        where TService : notnull
    {
        ArgumentNullException.ThrowIfNull(wiring);
        return [.. wiring, Singleton.Value(instead, file, line).Replacing()];
    }

    /// <summary>Replaces the class of a service, which keeps its lifetime.</summary>
    /// <typeparam name="TService">The service; the wiring must have it.</typeparam>
    /// <typeparam name="TClass">The other class.</typeparam>
    /// <param name="wiring">The wiring; it is not changed.</param>
    /// <param name="file">The source file; the compiler passes it.</param>
    /// <param name="line">The line; the compiler passes it.</param>
    /// <returns>Another wiring. If there is nothing to replace, its check reports JV203.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="wiring"/> is null.</exception>
    public static Wiring ReplaceClass<TService, TClass>(
        this Wiring wiring, [CallerFilePath] string file = "", [CallerLineNumber] int line = 0)
        where TService : class
        where TClass : class, TService
    {
        ArgumentNullException.ThrowIfNull(wiring);
        Registration? replaced = wiring.LastOrDefault(registration => registration.Data is { IsDecorator: false, Mark: null }
            && (registration.Service == typeof(TService) || registration.Data.AlsoServes.Contains(typeof(TService))));
        Registration<TClass> instead = Transient.Of<TService, TClass>(file, line);
        return [.. wiring, new Registration<TClass>(instead.Data with { Level = replaced?.Data.Level ?? instead.Data.Level }).Replacing()];
    }

    private static void Require(CheckReport report)
    {
        if (!report.IsSound)
        {
            throw new WiringTestException(report.ToString());
        }
    }
}
