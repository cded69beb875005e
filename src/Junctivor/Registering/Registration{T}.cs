using System.Runtime.CompilerServices;
using Junctivor.Graph;
using Junctivor.Registering;

namespace Junctivor;

/// <summary>
/// One entry of a <see cref="Wiring"/>, and what can be said further of it. Every verb returns a changed copy,
/// so a registration can be shared. A verb that means nothing on an entry is reported (JV109), not passed over.
/// </summary>
/// <typeparam name="T">The class, or what the factory returns; <see cref="object"/> for types known only at run time.</typeparam>
public sealed class Registration<T> : Registration
{
    internal Registration(RegistrationData entry)
        : base(entry)
    {
    }

    /// <summary>Lets the same instance serve another service too. A class that does not implement it is JV104.</summary>
    /// <typeparam name="TService">The further service.</typeparam>
    /// <returns>A copy that serves <typeparamref name="TService"/> as well.</returns>
    public Registration<T> Also<TService>()
        where TService : class => Also(typeof(TService), TypeToken<TService>.Instance);

    /// <summary>Lets the same instance serve another service too, known only at run time.</summary>
    /// <param name="service">The further service.</param>
    /// <returns>A copy that serves <paramref name="service"/> as well.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="service"/> is null.</exception>
    public Registration<T> Also(Type service)
    {
        ArgumentNullException.ThrowIfNull(service);
        return Also(service, null);
    }

    /// <summary>Tells it apart from others of its type: only who asks by this mark gets it.</summary>
    /// <typeparam name="TMark">The mark: any class that is not static.</typeparam>
    /// <returns>A copy with the mark, for all that it serves; a second mark takes the place of the first.</returns>
    public Registration<T> Marked<TMark>() => Marked(typeof(TMark));

    /// <summary>Tells it apart from others of its type: only who asks by this mark gets it.</summary>
    /// <param name="mark">The mark, compared letter by letter.</param>
    /// <returns>A copy with the mark, for all that it serves; a second mark takes the place of the first.</returns>
    /// <exception cref="ArgumentException"><paramref name="mark"/> is null or empty.</exception>
    public Registration<T> Marked(string mark)
    {
        ArgumentException.ThrowIfNullOrEmpty(mark);
        return new(Data with { Mark = mark });
    }

    /// <summary>Tells it apart from others of its type: only who asks by this mark gets it.</summary>
    /// <param name="mark">The mark.</param>
    /// <returns>A copy with the mark, for all that it serves; a second mark takes the place of the first.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="mark"/> is null.</exception>
    public Registration<T> Marked(Type mark)
    {
        ArgumentNullException.ThrowIfNull(mark);
        return new(Data with { Mark = mark });
    }

    /// <summary>Lets an alias stand for the registration with this mark.</summary>
    /// <typeparam name="TMark">The mark of what the alias stands for.</typeparam>
    /// <returns>A copy that stands for the marked registration.</returns>
    public Registration<T> TargetMarked<TMark>() => new(Data with { TargetMark = typeof(TMark) });

    /// <summary>Lets an alias stand for the registration with this mark.</summary>
    /// <param name="mark">The mark of what the alias stands for.</param>
    /// <returns>A copy that stands for the marked registration.</returns>
    /// <exception cref="ArgumentException"><paramref name="mark"/> is null or empty.</exception>
    public Registration<T> TargetMarked(string mark)
    {
        ArgumentException.ThrowIfNullOrEmpty(mark);
        return new(Data with { TargetMark = mark });
    }

    /// <summary>Lets an alias stand for the registration with this mark.</summary>
    /// <param name="mark">The mark of what the alias stands for.</param>
    /// <returns>A copy that stands for the marked registration.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="mark"/> is null.</exception>
    public Registration<T> TargetMarked(Type mark)
    {
        ArgumentNullException.ThrowIfNull(mark);
        return new(Data with { TargetMark = mark });
    }

    /// <summary>
    /// Takes the place of all earlier registrations of the service with the same mark; JV203 if there is none. Where it, or
    /// one that it replaces, serves several services, each service is looked at by itself.
    /// </summary>
    /// <returns>A copy that replaces.</returns>
    public Registration<T> Replacing() => With(Data.Options with { IsReplacing = true });

    /// <summary>Counts only if nobody else in the whole wiring registers the service with the same mark.</summary>
    /// <returns>A copy that stands back.</returns>
    public Registration<T> IfMissing() => With(Data.Options with { IsIfMissing = true });

    /// <summary>Is the one to take where one is wanted and several are registered; lists have all the same.</summary>
    /// <returns>A copy that comes first.</returns>
    public Registration<T> FirstChoice() => With(Data.Options with { IsFirstChoice = true });

    /// <summary>Serves only where this class asks, and there before the others; absent everywhere else.</summary>
    /// <typeparam name="TConsumer">The class that asks: exactly that class.</typeparam>
    /// <returns>A copy for that class only.</returns>
    public Registration<T> OnlyFor<TConsumer>() => OnlyFor(typeof(TConsumer));

    /// <summary>Serves only where this class asks, and there before the others; absent everywhere else.</summary>
    /// <param name="consumer">The class that asks: exactly that class, or any closing of a generic definition.</param>
    /// <returns>A copy for that class only.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="consumer"/> is null.</exception>
    public Registration<T> OnlyFor(Type consumer)
    {
        ArgumentNullException.ThrowIfNull(consumer);
        return new(Data with { OnlyFor = consumer });
    }

    /// <summary>Passes a constant for the one constructor parameter of exactly this type; JV106 if there is none, or are two.</summary>
    /// <typeparam name="TValue">The type of the parameter.</typeparam>
    /// <param name="value">The constant.</param>
    /// <returns>A copy that passes it.</returns>
    public Registration<T> Passing<TValue>(TValue value) => Passing(new PassedValue(null, typeof(TValue), value));

    /// <summary>Passes a constant for the constructor parameter of this name; JV106 if there is none, or it is of another type.</summary>
    /// <typeparam name="TValue">The type of the constant.</typeparam>
    /// <param name="parameter">The name of the parameter.</param>
    /// <param name="value">The constant.</param>
    /// <returns>A copy that passes it.</returns>
    /// <exception cref="ArgumentException"><paramref name="parameter"/> is null or empty.</exception>
    public Registration<T> Passing<TValue>(string parameter, TValue value)
    {
        ArgumentException.ThrowIfNullOrEmpty(parameter);
        return Passing(new PassedValue(parameter, typeof(TValue), value));
    }

    /// <summary>Says that it is resolved from outside. Where any entry says so, what no such entry reaches is reported (JV501).</summary>
    /// <returns>A copy that is a root.</returns>
    public Registration<T> ResolvedDirectly() => With(Data.Options with { IsRoot = true });

    /// <summary>Lets the container or scope end the object when it ends; for values, which it otherwise leaves alone.</summary>
    /// <returns>A copy that is owned.</returns>
    public Registration<T> DisposeAtEnd() => With(Data.Options with { IsOwned = true });

    /// <summary>Leaves the object alone when the container or scope ends; for made things, which it otherwise ends.</summary>
    /// <returns>A copy that is not owned.</returns>
    public Registration<T> LeaveUndisposed() => With(Data.Options with { IsOwned = false });

    /// <summary>
    /// Lets a value that is promised for the container be handed over after it is built, with <see cref="Container.Supply"/>.
    /// Who needs it takes <see cref="Lazy{T}"/>; a direct need is JV402.
    /// </summary>
    /// <returns>A copy for a late value.</returns>
    public Registration<T> SuppliedLater() => With(Data.Options with { IsSuppliedLater = true });

    /// <summary>
    /// Says that a warning or note is known and meant here: it is left out of the report's lists and told apart, with the reason. It
    /// holds where this registration stands on the path of the fault. An acceptance that matches nothing is a warning itself (JV504),
    /// and one of something that cannot work is a fault (JV109).
    /// </summary>
    /// <param name="code">The code, such as <c>JV303</c>.</param>
    /// <param name="reason">Why, for whoever reads the report.</param>
    /// <returns>A copy that accepts it too.</returns>
    /// <exception cref="ArgumentException"><paramref name="code"/> or <paramref name="reason"/> is null or empty.</exception>
    public Registration<T> Accept(string code, string reason)
    {
        ArgumentException.ThrowIfNullOrEmpty(code);
        ArgumentException.ThrowIfNullOrEmpty(reason);
        return With(Data.Options with { Accepted = [.. Data.Options.Accepted, new Acceptance(code, reason)] });
    }

    /// <summary>Leaves the entry out if the condition does not hold.</summary>
    /// <param name="condition">Whether it counts.</param>
    /// <returns>A copy that counts or not.</returns>
    public Registration<T> Enabled(bool condition) => new(Data with { IsEnabled = condition });

    /// <summary>Runs once the singleton is made, before work begins: <see cref="Container.WarmUpAsync"/> makes and awaits it, after
    /// what it needs.</summary>
    /// <param name="work">What to do with the made object, undecorated.</param>
    /// <returns>A copy that warms up.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="work"/> is null.</exception>
    [OverloadResolutionPriority(1)]
    public Registration<T> WarmUp(Func<T, CancellationToken, Task> work)
    {
        ArgumentNullException.ThrowIfNull(work);
        return new(Data with { WarmUp = (made, cancellationToken) => work((T)made, cancellationToken) });
    }

    /// <inheritdoc cref="WarmUp(Func{T, CancellationToken, Task})"/>
    public Registration<T> WarmUp(Func<T, CancellationToken, ValueTask> work)
    {
        ArgumentNullException.ThrowIfNull(work);
        return WarmUp((made, cancellationToken) => work(made, cancellationToken).AsTask());
    }

    /// <summary>Runs after work, before the singleton ends: <see cref="Container.WindDownAsync(CancellationToken)"/> awaits it, in the reverse order of
    /// warming up; only for what was warmed up.</summary>
    /// <param name="work">What to do with the made object, undecorated.</param>
    /// <returns>A copy that winds down.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="work"/> is null.</exception>
    [OverloadResolutionPriority(1)]
    public Registration<T> WindDown(Func<T, CancellationToken, Task> work)
    {
        ArgumentNullException.ThrowIfNull(work);
        return new(Data with { WindDown = (made, cancellationToken) => work((T)made, cancellationToken) });
    }

    /// <inheritdoc cref="WindDown(Func{T, CancellationToken, Task})"/>
    public Registration<T> WindDown(Func<T, CancellationToken, ValueTask> work)
    {
        ArgumentNullException.ThrowIfNull(work);
        return WindDown((made, cancellationToken) => work(made, cancellationToken).AsTask());
    }

    internal override Registration From(PluginContext plugin) => new Registration<T>(Data with { Plugin = plugin });

    private Registration<T> Also(Type service, TypeToken? token) => new(Data with
    {
        AlsoServes = [.. Data.AlsoServes, service],
        Tokens = token is null ? Data.Tokens : [.. Data.Tokens, token],
    });

    private Registration<T> Passing(PassedValue value) => new(Data with { Passed = [.. Data.Passed, value] });

    private Registration<T> With(RegistrationOptions endings) => new(Data with { Options = endings });
}
