using System.Runtime.CompilerServices;
using Junctivor.Graph;
using Junctivor.Registering;

namespace Junctivor;

/// <summary>
/// Registers a class or a factory: see <see cref="Singleton"/>, <see cref="Scoped"/>, <see cref="Transient"/> and <see cref="ScopeLevel"/>.
/// Each method returns a changed copy, so a registration can be shared. An option that has no effect is reported (JV109).
/// Immutable, and so safe for use by several threads.
/// </summary>
/// <typeparam name="T">The class, or what the factory returns; <see cref="object"/> for types known only at run time.</typeparam>
public sealed class Registration<T> : ServiceRegistration<Registration<T>>
{
    internal Registration(RegistrationData data)
        : base(data)
    {
    }

    /// <summary>Passes a constant to the one constructor parameter of exactly this type; JV106 if there is none, or several.</summary>
    /// <typeparam name="TValue">The type of the parameter.</typeparam>
    /// <param name="value">The constant.</param>
    /// <returns>A copy that passes it.</returns>
    public Registration<T> Passing<TValue>(TValue value) => With(Data.Pass(new PassedValue(null, typeof(TValue), value)));

    /// <summary>Passes a constant to the constructor parameter of this name; JV106 if there is none, or its type differs.</summary>
    /// <typeparam name="TValue">The type of the constant.</typeparam>
    /// <param name="parameter">The name of the parameter.</param>
    /// <param name="value">The constant.</param>
    /// <returns>A copy that passes it.</returns>
    /// <exception cref="ArgumentException"><paramref name="parameter"/> is null or empty.</exception>
    public Registration<T> Passing<TValue>(string parameter, TValue value)
    {
        ArgumentException.ThrowIfNullOrEmpty(parameter);
        return With(Data.Pass(new PassedValue(parameter, typeof(TValue), value)));
    }

    /// <summary>Does not dispose created instances; the consumer does.</summary>
    /// <returns>A copy whose instances the container does not own.</returns>
    public Registration<T> LeaveUndisposed() => With(RegistrationFlags.LeaveUndisposed);

    /// <summary>Runs once, before anything is resolved: <see cref="Container.WarmUpAsync"/> creates the singleton and awaits the work,
    /// after the warm-up of its dependencies. On anything but a singleton it is JV109.</summary>
    /// <param name="work">The work; it receives the instance without its decorators, and a token that is canceled with the call.</param>
    /// <returns>A copy that warms up.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="work"/> is null.</exception>
    [OverloadResolutionPriority(1)]
    public Registration<T> WarmUp(Func<T, CancellationToken, Task> work)
    {
        ArgumentNullException.ThrowIfNull(work);
        return With(Data with { WarmUp = (instance, cancellationToken) => work((T)instance, cancellationToken) });
    }

    /// <inheritdoc cref="WarmUp(Func{T, CancellationToken, Task})"/>
    public Registration<T> WarmUp(Func<T, CancellationToken, ValueTask> work)
    {
        ArgumentNullException.ThrowIfNull(work);
        return WarmUp((instance, cancellationToken) => work(instance, cancellationToken).AsTask());
    }

    /// <summary>Runs after the last request, before the singleton is disposed: <see cref="Container.WindDownAsync(CancellationToken)"/>
    /// awaits it, in the reverse order of warming up, for what was warmed up. On anything but a singleton it is JV109.</summary>
    /// <param name="work">The work; it receives the instance without its decorators, and a token that is canceled with the call.</param>
    /// <returns>A copy that winds down.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="work"/> is null.</exception>
    [OverloadResolutionPriority(1)]
    public Registration<T> WindDown(Func<T, CancellationToken, Task> work)
    {
        ArgumentNullException.ThrowIfNull(work);
        return With(Data with { WindDown = (instance, cancellationToken) => work((T)instance, cancellationToken) });
    }

    /// <inheritdoc cref="WindDown(Func{T, CancellationToken, Task})"/>
    public Registration<T> WindDown(Func<T, CancellationToken, ValueTask> work)
    {
        ArgumentNullException.ThrowIfNull(work);
        return WindDown((instance, cancellationToken) => work(instance, cancellationToken).AsTask());
    }

    /// <summary>
    /// Runs in the background, while the container works: <see cref="Container.WarmUpAsync"/> creates the singleton, and starts the work
    /// when everything is warmed up. <see cref="Container.WindDownAsync(CancellationToken)"/> cancels its token, runs its <c>WindDown</c>,
    /// if it has one, and awaits its end, before the wind-down of its dependencies. If the work fails,
    /// <see cref="Container.BackgroundFailure"/> completes, the wind-down throws, and <c>RunWiredAsync</c> stops the program. On anything
    /// but a singleton it is JV109.
    /// </summary>
    /// <param name="work">The work; it receives the instance without its decorators, and a token that is canceled when it is to stop. It
    /// may also end by itself.</param>
    /// <returns>A copy that works in the background.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="work"/> is null.</exception>
    /// <example>
    /// <code>
    /// Wiring wiring = [Singleton.Of&lt;TideReader&gt;().Background((reader, stop) => reader.RunAsync(stop))];
    /// </code>
    /// </example>
    public Registration<T> Background(Func<T, CancellationToken, Task> work)
    {
        ArgumentNullException.ThrowIfNull(work);
        return With(Data with { Background = new BackgroundWork(Bound(work), null) });
    }

    /// <inheritdoc cref="Background(Func{T, CancellationToken, Task})"/>
    /// <param name="work">The work; it receives the instance without its decorators, and a token that is canceled when it is to stop. It
    /// may also end by itself.</param>
    /// <param name="onFailure">Called with the instance and the exception if the work fails: then the program goes on without the work. If
    /// it throws, the work has failed.</param>
    public Registration<T> Background(Func<T, CancellationToken, Task> work, Func<T, Exception, Task> onFailure)
    {
        ArgumentNullException.ThrowIfNull(work);
        ArgumentNullException.ThrowIfNull(onFailure);
        return With(Data with { Background = new BackgroundWork(Bound(work), (instance, failure) => onFailure((T)instance, failure)) });
    }

    private static Func<object, CancellationToken, Task> Bound(Func<T, CancellationToken, Task> work) =>
        (instance, cancellationToken) => work((T)instance, cancellationToken);

    private protected override Registration<T> With(RegistrationData data) => new(data);
}
