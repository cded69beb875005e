using System.Diagnostics.CodeAnalysis;
using System.Runtime.CompilerServices;
using Junctivor.Runtime;

namespace Junctivor;

/// <content>How a call finds its instance: in the table, by compiled code, or by its plan.</content>
public abstract partial class Resolver
{
    /// <summary>Returns an existing instance, or one from compiled code, after nothing but a look at the table.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private object ResolveUnmarked(nint handle)
    {
        ref TypeTable.Entry entry = ref TypeTable.First(_state.Entries, handle);
        if (entry.Handle == handle && !Guard.IsDisposed)
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

    /// <summary>The same for a type whose first place in the table is taken; falls back to the plan cache.</summary>
    [MethodImpl(MethodImplOptions.NoInlining)]
    private object ResolveFurther(nint handle)
    {
        ref TypeTable.Entry entry = ref TypeTable.Find(_state.Entries, handle);
        return !Guard.IsDisposed && entry.Handle == handle && (entry.Instance ?? entry.Code?.Invoke(this, null)) is { } instance
            ? instance
            : ResolveByPlan(Type.GetTypeFromHandle(RuntimeTypeHandle.FromIntPtr(handle))!);
    }

    private object ResolveByPlan(Type service)
    {
        ThrowIfDisposed();
        Plan plan = Plans.Require(service, null);
        object instance = Get(plan);
        Remember(service, plan);
        return instance;
    }

    /// <summary>Creates what has no code yet, and puts its code into the table once there is some.</summary>
    internal object ResolveStepByStep(Type service, Plan plan)
    {
        ThrowIfDisposed();
        object instance = plan.Get(this);
        if (plan.Ready is not null || plan.Code is not null)
        {
            Remember(service, plan);
        }

        return instance;
    }

    /// <exception cref="ResolveException">Always, as it is not registered.</exception>
    internal object ThrowUnregistered(Type service)
    {
        ThrowIfDisposed();
        return Plans.Require(service, null);
    }

    private object ResolveMarked(Type service, object? mark)
    {
        ThrowIfDisposed();
        return Get(Plans.Require(service, mark));
    }

    /// <summary>Puts it into the table for the next call.</summary>
    private void Remember(Type service, Plan plan)
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
        service = mark is null ? FindUnmarked(type) : FindMarked(type, mark);
        return service is not null;
    }

    /// <summary>The same as <see cref="ResolveUnmarked"/> for what may not be registered: for frameworks that resolve everything.</summary>
    private object? FindUnmarked(Type type)
    {
        nint handle = type.TypeHandle.Value;
        ref TypeTable.Entry entry = ref TypeTable.Find(_state.Entries, handle);
        if (entry.Handle == handle && !Guard.IsDisposed && entry.Plan is { } known && !ReferenceEquals(known, Plan.Unregistered)
            && (entry.Instance ?? entry.Code?.Invoke(this, null)) is { } instance)
        {
            return instance;
        }

        ThrowIfDisposed();
        if (Plans.Find(type, null) is not { } plan)
        {
            return null;
        }

        object found = Get(plan);
        Remember(type, plan);
        return found;
    }

    private object? FindMarked(Type type, object mark)
    {
        ThrowIfDisposed();
        return Plans.Find(type, mark) is { } plan ? Get(plan) : null;
    }

    /// <summary>Gets an instance for whoever asks this container or scope, and not for an argument.</summary>
    private object Get(Plan plan)
    {
        object instance = plan.Get(this);
        if (Root.IsObserved)
        {
            Observers.Requested(plan, instance, this);
        }

        return instance;
    }
}
