using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using Junctivor.Registering;
using Junctivor.Runtime;

namespace Junctivor;

/// <content>Construction of objects that are not registered, and calls of methods.</content>
public abstract partial class Resolver
{
    /// <summary>Constructs a class that is not registered: some arguments are passed, the others are resolved.</summary>
    /// <typeparam name="T">The class.</typeparam>
    /// <param name="arguments">Each is passed to the first parameter of exactly its type, or else to the first parameter that it can be
    /// assigned to.</param>
    /// <returns>A new instance, owned by the caller. What was created for it belongs to this container or scope.</returns>
    /// <exception cref="ArgumentNullException">One of the arguments is null.</exception>
    /// <exception cref="ResolveException">No parameter takes an argument (JV106), or a parameter cannot be resolved here.</exception>
    /// <exception cref="ConstructionException">A constructor or factory threw.</exception>
    /// <exception cref="ObjectDisposedException">The container or scope is disposed.</exception>
    public T Construct<[DynamicallyAccessedMembers(Kept.Members)] T>(params ReadOnlySpan<object> arguments)
        where T : class => (T)Construct(typeof(T), arguments);

    /// <summary>Constructs a class that is not registered and known only at run time: some arguments are passed, the others are
    /// resolved.</summary>
    /// <param name="type">The class.</param>
    /// <param name="arguments">Each is passed to the first parameter of exactly its type, or else to the first parameter that it can be
    /// assigned to.</param>
    /// <returns>A new instance, owned by the caller. What was created for it belongs to this container or scope.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="type"/> is null.</exception>
    /// <inheritdoc cref="Construct{T}(ReadOnlySpan{object})" path="/exception"/>
    public object Construct([DynamicallyAccessedMembers(Kept.Members)] Type type, params ReadOnlySpan<object> arguments)
    {
        ArgumentNullException.ThrowIfNull(type);
        ThrowIfDisposed();
        return Construction.Run(Plans.Calls.Construct(type, arguments), this, null, arguments.ToArray());
    }

    /// <summary>
    /// Sets the properties of an existing object: those with <see cref="InjectAttribute"/>, and those that are
    /// <c>required</c> and still null.
    /// </summary>
    /// <typeparam name="T">The class or a base class: the properties of the run-time class are set.</typeparam>
    /// <param name="target">The object.</param>
    /// <returns>The same object.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="target"/> is null.</exception>
    /// <exception cref="ResolveException">A property cannot be resolved here.</exception>
    /// <exception cref="ConstructionException">A constructor or factory threw.</exception>
    /// <exception cref="ObjectDisposedException">The container or scope is disposed.</exception>
    public T FillProperties<[DynamicallyAccessedMembers(Kept.Members)] T>(T target)
        where T : class
    {
        ArgumentNullException.ThrowIfNull(target);
        ThrowIfDisposed();
        (Plan plan, PropertyInfo[] properties) = Plans.Calls.Fill(ClassOf(target));
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

    [UnconditionalSuppressMessage("Trimming", "IL2073",
        Justification = "Who fills an object of a derived class names that class somewhere, and constructs it.")]
    [return: DynamicallyAccessedMembers(Kept.Members)]
    private static Type ClassOf(object target) => target.GetType();

    /// <summary>Calls a method with its parameters resolved: for method groups, and for more than eight parameters.</summary>
    /// <param name="work">The method.</param>
    /// <returns>The result of the method; null if it returns nothing.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="work"/> is null.</exception>
    /// <exception cref="ResolveException">A parameter cannot be resolved here.</exception>
    /// <exception cref="ConstructionException">A constructor or factory threw. An exception of the method is thrown unchanged.</exception>
    /// <exception cref="ObjectDisposedException">The container or scope is disposed.</exception>
    [RequiresUnreferencedCode("The parameters of a delegate known only at run time may be trimmed away. Call an overload with type "
        + "arguments.")]
    public object? Invoke(Delegate work)
    {
        ArgumentNullException.ThrowIfNull(work);
        MethodInfo invoke = work.GetType().GetMethod("Invoke")!;
        return CallWired(
            work, invoke.GetParameters().Length, arguments => invoke.Invoke(work, BindingFlags.DoNotWrapExceptions, null, arguments, null));
    }

    private object? CallWired(Delegate work, int parameterCount, Func<object?[], object?> call)
    {
        ThrowIfDisposed();
        return call((object?[])Construction.Run(Plans.Calls.Call(work.Method, parameterCount), this));
    }
}
