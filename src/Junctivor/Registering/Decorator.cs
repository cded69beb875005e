using System.Diagnostics.CodeAnalysis;
using System.Runtime.CompilerServices;
using Junctivor.Graph;
using Junctivor.Registering;

namespace Junctivor;

/// <summary>
/// Registers a wrapper around every registration of a service, wherever it stands: around all marks, or around one if it
/// is marked. The first written is innermost. It lives as long as what it wraps.
/// All members are safe for use by several threads.
/// </summary>
/// <example>
/// <code>
/// Wiring wiring = [Scoped.Of&lt;IBerthLedger, SqliteBerthLedger&gt;(), Decorator.Of&lt;IBerthLedger, AuditedLedger&gt;()];
/// </code>
/// </example>
public static partial class Decorator
{
    /// <summary>Wraps every registration of a service in a class.</summary>
    /// <typeparam name="TService">The service.</typeparam>
    /// <typeparam name="TDecorator">The class; one parameter of its constructor takes what it wraps, the others are wired.</typeparam>
    /// <param name="file">Filled in by the compiler: the file that this is written in.</param>
    /// <param name="line">Filled in by the compiler: the line that this is written on.</param>
    /// <returns>The registration, for a <see cref="Wiring"/>.</returns>
    public static Registration<TDecorator> Of<TService, [DynamicallyAccessedMembers(Kept.Members)] TDecorator>(
        [CallerFilePath] string file = "", [CallerLineNumber] int line = 0)
        where TService : class
        where TDecorator : class, TService =>
        RegistrationStart.AsDecorator(RegistrationStart.OfClass<TService, TDecorator>(Level.Transient, new SourcePlace(file, line)));

    /// <summary>Wraps every registration of a service in a class, both known only at run time; open generics too.</summary>
    /// <param name="service">The service.</param>
    /// <param name="decorator">The class; one parameter of its constructor takes what it wraps, the others are wired.</param>
    /// <param name="file">Filled in by the compiler: the file that this is written in.</param>
    /// <param name="line">Filled in by the compiler: the line that this is written on.</param>
    /// <returns>The registration, for a <see cref="Wiring"/>.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="service"/> or <paramref name="decorator"/> is null.</exception>
    [RequiresDynamicCode(TrimmingReasons.RunTimeType)]
    public static Registration<object> Of(
        Type service,
        [DynamicallyAccessedMembers(Kept.Members)] Type decorator,
        [CallerFilePath] string file = "",
        [CallerLineNumber] int line = 0) =>
        decorator is null
            ? throw new ArgumentNullException(nameof(decorator))
            : RegistrationStart.AsDecorator(RegistrationStart.OfClass(Level.Transient, service, decorator, new SourcePlace(file, line)));
}
