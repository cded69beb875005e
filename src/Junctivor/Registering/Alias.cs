using System.Runtime.CompilerServices;
using Junctivor.Graph;
using Junctivor.Registering;

namespace Junctivor;

/// <summary>
/// Registers another name for a registered service: the alias resolves to the same instance as the target,
/// with its decorators. A second registration of the class would create another instance.
/// All members are safe for use by several threads.
/// </summary>
/// <example>
/// <code>
/// Wiring wiring = [Scoped.Of&lt;IBerthLedger, SqliteBerthLedger&gt;(), Alias.Of&lt;IBerthReader, IBerthLedger&gt;()];
/// </code>
/// </example>
public static class Alias
{
    /// <summary>Registers an alias.</summary>
    /// <typeparam name="TService">The alias.</typeparam>
    /// <typeparam name="TTarget">The registered service.</typeparam>
    /// <param name="file">Filled in by the compiler: the source file of the call.</param>
    /// <param name="line">Filled in by the compiler: the line of the call.</param>
    /// <returns>The registration, for a <see cref="Wiring"/>.</returns>
    public static AliasRegistration Of<TService, TTarget>([CallerFilePath] string file = "", [CallerLineNumber] int line = 0)
        where TService : class
        where TTarget : class, TService =>
        new(RegistrationStart.Start<TService>(Level.Transient, new InstanceSource.OfAlias(typeof(TTarget)), new SourcePlace(file, line)));

    /// <summary>Registers an alias, with types known only at run time.</summary>
    /// <param name="service">The alias.</param>
    /// <param name="target">The registered service; JV104 if it does not derive from <paramref name="service"/>.</param>
    /// <param name="file">Filled in by the compiler: the source file of the call.</param>
    /// <param name="line">Filled in by the compiler: the line of the call.</param>
    /// <returns>The registration, for a <see cref="Wiring"/>.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="service"/> or <paramref name="target"/> is null.</exception>
    public static AliasRegistration Of(
        Type service, Type target, [CallerFilePath] string file = "", [CallerLineNumber] int line = 0)
    {
        ArgumentNullException.ThrowIfNull(service);
        ArgumentNullException.ThrowIfNull(target);
        return new(RegistrationStart.Start(Level.Transient, service, new InstanceSource.OfAlias(target), new SourcePlace(file, line)));
    }
}
