using System.Runtime.CompilerServices;
using Microsoft.Extensions.Logging;

namespace Junctivor;

/// <summary>Registrations for what every host has.</summary>
public static class HostWiring
{
    /// <summary>
    /// Registers <see cref="ILogger{TCategoryName}"/> for every class that takes one, and declares the <see cref="ILoggerFactory"/>, which
    /// is supplied with <see cref="Incoming.FromHost"/>, or as a value.
    /// </summary>
    /// <param name="file">The source file; the compiler passes it.</param>
    /// <param name="line">The line; the compiler passes it.</param>
    /// <returns>The registrations, for a wiring.</returns>
    /// <example>
    /// <code>
    /// Wiring wiring = [.. HostWiring.Logging(), Singleton.Of&lt;BerthPlanner&gt;()];
    /// await using Container container = wiring.Build(Incoming.FromHost(app.Services));
    /// </code>
    /// </example>
    public static Wiring Logging([CallerFilePath] string file = "", [CallerLineNumber] int line = 0) =>
        [Singleton.Incoming<ILoggerFactory>(file, line), Singleton.Of(typeof(ILogger<>), typeof(Logger<>), file, line)];
}
