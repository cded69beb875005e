using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using System.Runtime.CompilerServices;
using Junctivor.Registering;
using Junctivor.Runtime;


namespace Junctivor;

// What can be asked of a container or scope.
public abstract partial class Resolver
{
    /// <summary>Gives the service; makes it, and what it needs, where it is not there yet.</summary>
    /// <typeparam name="T">The service.</typeparam>
    /// <returns>The instance; it ends with the container or scope that it belongs to.</returns>
    /// <exception cref="ResolveException">Nobody registers it (JV101), several do (JV202), it needs a scope (JV302), a value
    /// that was not handed over (JV105), or itself (JV201).</exception>
    /// <exception cref="ConstructionException">A constructor or factory threw.</exception>
    /// <exception cref="ConstructionTimeoutException">Another thread has been making it for longer than <see cref="BuildOptions.ConstructionTimeout"/>.</exception>
    /// <exception cref="ObjectDisposedException">The container or scope has ended.</exception>
    public T Resolve<T>()
        where T : notnull => WrapperFactory<T>.As(ResolveUnmarked(typeof(T).TypeHandle.Value));

    /// <summary>Gives the service with a mark.</summary>
    /// <typeparam name="T">The service.</typeparam>
    /// <param name="mark">The mark.</param>
    /// <returns>The instance; it ends with the container or scope that it belongs to.</returns>
    /// <inheritdoc cref="Resolve{T}()" path="/exception"/>
    public T Resolve<T>(string mark)
        where T : notnull => (T)ResolveMarked(typeof(T), Given(mark));

    /// <summary>Gives the service with a mark.</summary>
    /// <typeparam name="T">The service.</typeparam>
    /// <param name="mark">The mark.</param>
    /// <returns>The instance; it ends with the container or scope that it belongs to.</returns>
    /// <inheritdoc cref="Resolve{T}()" path="/exception"/>
    public T Resolve<T>(Type mark)
        where T : notnull => (T)ResolveMarked(typeof(T), Given(mark));

    /// <summary>Gives the service with a mark.</summary>
    /// <typeparam name="TService">The service.</typeparam>
    /// <typeparam name="TMark">The mark.</typeparam>
    /// <returns>The instance; it ends with the container or scope that it belongs to.</returns>
    /// <inheritdoc cref="Resolve{T}()" path="/exception"/>
    public TService ResolveMarked<TService, TMark>()
        where TService : notnull => (TService)ResolveMarked(typeof(TService), typeof(TMark));

    /// <summary>Gives a service whose type is known only at run time.</summary>
    /// <param name="service">The service.</param>
    /// <returns>The instance; it ends with the container or scope that it belongs to.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="service"/> is null.</exception>
    /// <inheritdoc cref="Resolve{T}()" path="/exception"/>
    public object Resolve(Type service) => ResolveUnmarked(Given(service).TypeHandle.Value);

    /// <summary>Gives a service with a mark, whose type is known only at run time.</summary>
    /// <param name="service">The service.</param>
    /// <param name="mark">The mark.</param>
    /// <returns>The instance; it ends with the container or scope that it belongs to.</returns>
    /// <exception cref="ArgumentNullException">An argument is null.</exception>
    /// <inheritdoc cref="Resolve{T}()" path="/exception"/>
    public object Resolve(Type service, string mark) => ResolveMarked(Given(service), Given(mark));

    /// <summary>Gives a service with a mark, whose type is known only at run time.</summary>
    /// <param name="service">The service.</param>
    /// <param name="mark">The mark.</param>
    /// <returns>The instance; it ends with the container or scope that it belongs to.</returns>
    /// <exception cref="ArgumentNullException">An argument is null.</exception>
    /// <inheritdoc cref="Resolve{T}()" path="/exception"/>
    public object Resolve(Type service, Type mark) => ResolveMarked(Given(service), Given(mark));

    /// <summary>Gives the service if anybody registers it.</summary>
    /// <typeparam name="T">The service.</typeparam>
    /// <param name="service">The instance; null if nobody registers it.</param>
    /// <returns>Whether anybody registers it.</returns>
    /// <exception cref="ResolveException">It is registered, and cannot be had here.</exception>
    /// <exception cref="ConstructionException">A constructor or factory threw.</exception>
    /// <exception cref="ObjectDisposedException">The container or scope has ended.</exception>
    public bool TryResolve<T>([NotNullWhen(true)] out T? service) => TryResolveMarked(null, out service);

    /// <summary>Gives the service with a mark, if anybody registers it.</summary>
    /// <typeparam name="T">The service.</typeparam>
    /// <param name="mark">The mark.</param>
    /// <param name="service">The instance; null if nobody registers it.</param>
    /// <returns>Whether anybody registers it.</returns>
    /// <inheritdoc cref="TryResolve{T}(out T)" path="/exception"/>
    public bool TryResolve<T>(string mark, [NotNullWhen(true)] out T? service) => TryResolveMarked(Given(mark), out service);

    /// <summary>Gives a service whose type is known only at run time, if anybody registers it.</summary>
    /// <param name="type">The service.</param>
    /// <param name="service">The instance; null if nobody registers it.</param>
    /// <returns>Whether anybody registers it.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="type"/> is null.</exception>
    /// <inheritdoc cref="TryResolve{T}(out T)" path="/exception"/>
    public bool TryResolve(Type type, [NotNullWhen(true)] out object? service) => TryResolveMarked(Given(type), null, out service);

    /// <summary>Gives a service with a mark, whose type is known only at run time, if anybody registers it.</summary>
    /// <param name="type">The service.</param>
    /// <param name="mark">The mark.</param>
    /// <param name="service">The instance; null if nobody registers it.</param>
    /// <returns>Whether anybody registers it.</returns>
    /// <exception cref="ArgumentNullException">An argument is null.</exception>
    /// <inheritdoc cref="TryResolve{T}(out T)" path="/exception"/>
    public bool TryResolve(Type type, string mark, [NotNullWhen(true)] out object? service) => TryResolveMarked(Given(type), Given(mark), out service);

    /// <summary>Gives a service with a mark, whose type is known only at run time, if anybody registers it.</summary>
    /// <param name="type">The service.</param>
    /// <param name="mark">The mark.</param>
    /// <param name="service">The instance; null if nobody registers it.</param>
    /// <returns>Whether anybody registers it.</returns>
    /// <exception cref="ArgumentNullException">An argument is null.</exception>
    /// <inheritdoc cref="TryResolve{T}(out T)" path="/exception"/>
    public bool TryResolve(Type type, Type mark, [NotNullWhen(true)] out object? service) => TryResolveMarked(Given(type), Given(mark), out service);

    /// <summary>Constructs a class that nobody registers: some arguments are given, the rest is wired.</summary>
    /// <typeparam name="T">The class.</typeparam>
    /// <param name="arguments">Each goes to the first parameter of exactly its type, else to the first that can take it.</param>
    /// <returns>A new instance. The caller owns it; what was made for it belongs to this container or scope.</returns>
    /// <exception cref="ArgumentNullException">One of the arguments is null.</exception>
    /// <exception cref="ResolveException">An argument fits nowhere (JV106), or the rest cannot be had here.</exception>
    /// <exception cref="ConstructionException">A constructor or factory threw.</exception>
    /// <exception cref="ObjectDisposedException">The container or scope has ended.</exception>
    public T Construct<[DynamicallyAccessedMembers(Kept.Members)] T>(params ReadOnlySpan<object> arguments)
        where T : class => (T)Construct(typeof(T), arguments);

    /// <summary>Constructs a class that nobody registers, known only at run time: some arguments are given, the rest is wired.</summary>
    /// <param name="type">The class.</param>
    /// <param name="arguments">Each goes to the first parameter of exactly its type, else to the first that can take it.</param>
    /// <returns>A new instance. The caller owns it; what was made for it belongs to this container or scope.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="type"/> is null.</exception>
    /// <inheritdoc cref="Construct{T}(ReadOnlySpan{object})" path="/exception"/>
    public object Construct([DynamicallyAccessedMembers(Kept.Members)] Type type, params ReadOnlySpan<object> arguments)
    {
        ArgumentNullException.ThrowIfNull(type);
        ThrowIfEnded();
        return Construction.Run(Plans.Construct(type, arguments), this, null, arguments.ToArray());
    }

    /// <summary>
    /// Fills the properties of an object that exists: those marked <see cref="InjectAttribute"/>, and those that are
    /// <c>required</c> and still empty.
    /// </summary>
    /// <typeparam name="T">The class, or a base of it: the properties of the object's own class are filled.</typeparam>
    /// <param name="target">The object.</param>
    /// <returns>The same object.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="target"/> is null.</exception>
    /// <exception cref="ResolveException">A property cannot be filled here.</exception>
    /// <exception cref="ConstructionException">A constructor or factory threw.</exception>
    /// <exception cref="ObjectDisposedException">The container or scope has ended.</exception>
    public T FillProperties<[DynamicallyAccessedMembers(Kept.Members)] T>(T target)
        where T : class
    {
        ArgumentNullException.ThrowIfNull(target);
        ThrowIfEnded();
        (Plan plan, PropertyInfo[] properties) = Plans.Fill(ClassOf(target));
        object?[] values = (object?[])Construction.Run(plan, this);
        for (int number = 0; number < properties.Length; number++)
        {
            PropertyInfo property = properties[number];
            if (property.IsDefined(typeof(InjectAttribute)) || property.GetValue(target) is null)
            {
                property.SetValue(target, values[number], BindingFlags.DoNotWrapExceptions, null, null, null);
            }
        }

        return target;
    }

    [UnconditionalSuppressMessage("Trimming", "IL2073", Justification = "Who fills an object of a derived class names that class somewhere, and constructs it.")]
    [return: DynamicallyAccessedMembers(Kept.Members)]
    private static Type ClassOf(object target) => target.GetType();

    /// <summary>Calls a method with its parameters wired: for method groups, and for more than eight parameters.</summary>
    /// <param name="work">The method.</param>
    /// <returns>What the method returned; null if it returns nothing.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="work"/> is null.</exception>
    /// <exception cref="ResolveException">A parameter cannot be had here.</exception>
    /// <exception cref="ConstructionException">A constructor or factory threw. What the method throws comes through as it is.</exception>
    /// <exception cref="ObjectDisposedException">The container or scope has ended.</exception>
    [RequiresUnreferencedCode("The parameters of a delegate known only at run time may be trimmed away. Call an overload with type arguments.")]
    public object? Invoke(Delegate work)
    {
        ArgumentNullException.ThrowIfNull(work);
        MethodInfo invoke = work.GetType().GetMethod("Invoke")!;
        return CallWired(work, invoke.GetParameters().Length, arguments => invoke.Invoke(work, BindingFlags.DoNotWrapExceptions, null, arguments, null));
    }

    private protected static T Given<T>(T argument, [CallerArgumentExpression(nameof(argument))] string name = "")
        where T : class
    {
        ArgumentNullException.ThrowIfNull(argument, name);
        return argument;
    }

    /// <summary>Gives what is there, or made in one go: nothing but a look at the table comes before it.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private object ResolveUnmarked(nint handle)
    {
        ref TypeTable.Entry entry = ref TypeTable.First(_state.Entries, handle);
        if (entry.Handle == handle && Word >= 0)
        {
            if (entry.Instance is { } instance)
            {
                return instance;
            }

            if (entry.Code is { } code)
            {
                return code(this, null)!;
            }
        }

        return ResolveFurther(handle);
    }

    /// <summary>The same for a type whose place in the table is another one's; and asks the book for what does not stand there.</summary>
    [MethodImpl(MethodImplOptions.NoInlining)]
    private object ResolveFurther(nint handle)
    {
        ref TypeTable.Entry entry = ref TypeTable.Find(_state.Entries, handle);
        return Word >= 0 && entry.Handle == handle && (entry.Instance ?? entry.Code?.Invoke(this, null)) is { } instance
            ? instance
            : ResolveByBook(Type.GetTypeFromHandle(RuntimeTypeHandle.FromIntPtr(handle))!);
    }

    private object ResolveByBook(Type service)
    {
        ThrowIfEnded();
        Plan plan = Plans.Require(service, null);
        object instance = plan.Ready ?? Construction.Run(plan, this);
        Learn(service, plan);
        return instance;
    }

    /// <summary>Makes what has no code yet, and sees to it that its code is found once there is some.</summary>
    internal object ResolveStepByStep(Type service, Plan plan)
    {
        ThrowIfEnded();
        object instance = plan.Ready ?? Construction.Run(plan, this);
        if (plan.Ready is not null || plan.Code is not null)
        {
            Learn(service, plan);
        }

        return instance;
    }

    /// <exception cref="ResolveException">Always, as nobody registers it.</exception>
    internal object ThrowUnregistered(Type service)
    {
        ThrowIfEnded();
        return Plans.Require(service, null);
    }

    private object ResolveMarked(Type service, object? mark)
    {
        ThrowIfEnded();
        Plan plan = Plans.Require(service, mark);
        return plan.Ready ?? plan.TryRunCode(this) ?? Construction.Run(plan, this);
    }

    /// <summary>Sees to it that the next one to ask finds it in the table.</summary>
    private void Learn(Type service, Plan plan)
    {
        Plans.Refresh(service, plan);
        _state.Entries = Plans.Entries;
    }

    private bool TryResolveMarked<T>(object? mark, [NotNullWhen(true)] out T? service)
    {
        bool isRegistered = TryResolveMarked(typeof(T), mark, out object? found);
        service = isRegistered ? (T)found! : default;
        return isRegistered;
    }

    private bool TryResolveMarked(Type type, object? mark, [NotNullWhen(true)] out object? service)
    {
        ThrowIfEnded();
        Plan? plan = Plans.Find(type, mark);
        service = plan is null ? null : plan.Ready ?? plan.TryRunCode(this) ?? Construction.Run(plan, this);
        return service is not null;
    }

    private object? CallWired(Delegate work, int parameterCount, Func<object?[], object?> call)
    {
        ThrowIfEnded();
        return call((object?[])Construction.Run(Plans.Call(work.Method, parameterCount), this));
    }
}
