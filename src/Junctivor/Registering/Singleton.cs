using System.Runtime.CompilerServices;
using Junctivor.Graph;
using Junctivor.Registering;

namespace Junctivor;

/// <summary>
/// Starts a registration of a service of which the container makes one, at the first asking, and ends it when the
/// container ends. All members are safe for use by several threads.
/// </summary>
/// <example>
/// <code>
/// Wiring wiring =
/// [
///     Singleton.Of&lt;ITideTable, AlmanacTideTable&gt;(),
///     Singleton.Value(new Quays(4)),
///     Singleton.From((HarbourSettings settings) => new LedgerFile(settings.DataFolder)),
/// ];
/// </code>
/// </example>
public static partial class Singleton
{
    /// <summary>Registers an object that exists already; the container does not end it.</summary>
    /// <typeparam name="TService">The service that it serves.</typeparam>
    /// <param name="value">The object.</param>
    /// <param name="file">Filled in by the compiler: the file that this is written in.</param>
    /// <param name="line">Filled in by the compiler: the line that this is written on.</param>
    /// <returns>The registration, for a <see cref="Wiring"/>.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="value"/> is null.</exception>
    public static Registration<TService> Value<TService>(
        TService value, [CallerFilePath] string file = "", [CallerLineNumber] int line = 0)
        where TService : notnull
    {
        ArgumentNullException.ThrowIfNull(value);
        return RegistrationStart.Start<TService>(Level.Singleton, new InstanceSource.OfValue(value), new SourcePlace(file, line));
    }

    /// <summary>Registers an object that exists already, for a service known only at run time.</summary>
    /// <param name="service">The service that it serves; JV104 if the object does not implement it.</param>
    /// <param name="value">The object.</param>
    /// <param name="file">Filled in by the compiler: the file that this is written in.</param>
    /// <param name="line">Filled in by the compiler: the line that this is written on.</param>
    /// <returns>The registration, for a <see cref="Wiring"/>.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="service"/> or <paramref name="value"/> is null.</exception>
    public static Registration<object> ValueAs(
        Type service, object value, [CallerFilePath] string file = "", [CallerLineNumber] int line = 0)
    {
        ArgumentNullException.ThrowIfNull(service);
        ArgumentNullException.ThrowIfNull(value);
        return RegistrationStart.Start(Level.Singleton, service, new InstanceSource.OfValue(value), new SourcePlace(file, line));
    }
}
