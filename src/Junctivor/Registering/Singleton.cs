using System.Runtime.CompilerServices;
using Junctivor.Graph;
using Junctivor.Registering;

namespace Junctivor;

/// <summary>
/// Starts a singleton registration: one instance for the container, created when it is first resolved, and disposed with the
/// container. All members are safe for use by several threads.
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
    /// <summary>Registers an existing object. The container does not dispose it.</summary>
    /// <typeparam name="TService">The service.</typeparam>
    /// <param name="value">The object.</param>
    /// <param name="file">Filled in by the compiler: the source file of the call.</param>
    /// <param name="line">Filled in by the compiler: the line of the call.</param>
    /// <returns>The registration, for a <see cref="Wiring"/>.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="value"/> is null.</exception>
    public static ValueRegistration Value<TService>(
        TService value, [CallerFilePath] string file = "", [CallerLineNumber] int line = 0)
        where TService : notnull
    {
        ArgumentNullException.ThrowIfNull(value);
        return new(RegistrationStart.Start<TService>(Level.Singleton, new InstanceSource.OfValue(value), new SourcePlace(file, line)));
    }

    /// <summary>Registers an existing object, for a service known only at run time.</summary>
    /// <param name="service">The service; JV104 if the object does not implement it.</param>
    /// <param name="value">The object.</param>
    /// <param name="file">Filled in by the compiler: the source file of the call.</param>
    /// <param name="line">Filled in by the compiler: the line of the call.</param>
    /// <returns>The registration, for a <see cref="Wiring"/>.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="service"/> or <paramref name="value"/> is null.</exception>
    public static ValueRegistration ValueAs(
        Type service, object value, [CallerFilePath] string file = "", [CallerLineNumber] int line = 0)
    {
        ArgumentNullException.ThrowIfNull(service);
        ArgumentNullException.ThrowIfNull(value);
        return new(RegistrationStart.Start(Level.Singleton, service, new InstanceSource.OfValue(value), new SourcePlace(file, line)));
    }
}
