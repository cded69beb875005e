using System.Diagnostics.CodeAnalysis;
using System.Runtime.CompilerServices;
using Junctivor.Graph;
using Junctivor.Registering;

namespace Junctivor;

/// <summary>
/// Decorates every registration of a service, wherever it is in the wiring: all marks, or one if the decorator is marked.
/// The first decorator is the innermost. A decorator has the lifetime of the decorated service.
/// All members are safe for use by several threads.
/// </summary>
/// <example>
/// <code>
/// Wiring wiring = [Scoped.Of&lt;IBerthLedger, SqliteBerthLedger&gt;(), Decorator.Of&lt;IBerthLedger, AuditedLedger&gt;()];
/// </code>
/// </example>
public static partial class Decorator
{
    /// <summary>Decorates every registration of a service with a class.</summary>
    /// <typeparam name="TService">The service.</typeparam>
    /// <typeparam name="TDecorator">The class; one parameter of its constructor takes the decorated service, the others are
    /// resolved.</typeparam>
    /// <param name="file">Filled in by the compiler: the source file of the call.</param>
    /// <param name="line">Filled in by the compiler: the line of the call.</param>
    /// <returns>The registration, for a <see cref="Wiring"/>.</returns>
    public static DecoratorRegistration Of<TService, [DynamicallyAccessedMembers(Kept.Members)] TDecorator>(
        [CallerFilePath] string file = "", [CallerLineNumber] int line = 0)
        where TService : class
        where TDecorator : class, TService =>
        RegistrationStart.AsDecorator(RegistrationStart.OfClass(
            Level.Transient,
            typeof(TService),
            typeof(TDecorator),
            TypeToken.AreNeeded ? TypeToken<TService>.Instance : null,
            new SourcePlace(file, line)));

    /// <summary>Decorates every registration of a service with a class, both known only at run time; open generics too.</summary>
    /// <param name="service">The service.</param>
    /// <param name="decorator">The class; one parameter of its constructor takes the decorated service, the others are resolved.</param>
    /// <param name="file">Filled in by the compiler: the source file of the call.</param>
    /// <param name="line">Filled in by the compiler: the line of the call.</param>
    /// <returns>The registration, for a <see cref="Wiring"/>.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="service"/> or <paramref name="decorator"/> is null.</exception>
    public static DecoratorRegistration Of(
        Type service,
        [DynamicallyAccessedMembers(Kept.Members)] Type decorator,
        [CallerFilePath] string file = "",
        [CallerLineNumber] int line = 0) =>
        decorator is null
            ? throw new ArgumentNullException(nameof(decorator))
            : RegistrationStart.AsDecorator(
                RegistrationStart.OfClass(Level.Transient, service, decorator, new SourcePlace(file, line)).Data);
}
