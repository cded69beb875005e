using System.Runtime.CompilerServices;
using Junctivor.Graph;
using Junctivor.Registering;

namespace Junctivor;

/// <summary>
/// Registers another name for what is registered already: whoever asks for the one gets the very instance that serves the
/// other, with its decorators. A second registration of the class would be another instance.
/// All members are safe for use by several threads.
/// </summary>
/// <example>
/// <code>
/// Wiring wiring = [Scoped.Of&lt;IBerthLedger, SqliteBerthLedger&gt;(), Alias.Of&lt;IBerthReader, IBerthLedger&gt;()];
/// </code>
/// </example>
public static class Alias
{
    /// <summary>Lets a service be served by what serves another one.</summary>
    /// <typeparam name="TService">The service that others ask for.</typeparam>
    /// <typeparam name="TTarget">The service that is registered.</typeparam>
    /// <param name="file">Filled in by the compiler: the file that this is written in.</param>
    /// <param name="line">Filled in by the compiler: the line that this is written on.</param>
    /// <returns>The registration, for a <see cref="Wiring"/>.</returns>
    public static Registration<TService> Of<TService, TTarget>([CallerFilePath] string file = "", [CallerLineNumber] int line = 0)
        where TService : class
        where TTarget : class, TService =>
        RegistrationStart.Start<TService>(Level.Transient, new InstanceSource.OfAlias(typeof(TTarget)), new SourcePlace(file, line));

    /// <summary>Lets a service be served by what serves another one, both known only at run time.</summary>
    /// <param name="service">The service that others ask for.</param>
    /// <param name="target">The service that is registered; JV104 if it does not derive from <paramref name="service"/>.</param>
    /// <param name="file">Filled in by the compiler: the file that this is written in.</param>
    /// <param name="line">Filled in by the compiler: the line that this is written on.</param>
    /// <returns>The registration, for a <see cref="Wiring"/>.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="service"/> or <paramref name="target"/> is null.</exception>
    public static Registration<object> Of(
        Type service, Type target, [CallerFilePath] string file = "", [CallerLineNumber] int line = 0)
    {
        ArgumentNullException.ThrowIfNull(service);
        ArgumentNullException.ThrowIfNull(target);
        return RegistrationStart.Start(Level.Transient, service, new InstanceSource.OfAlias(target), new SourcePlace(file, line));
    }
}
