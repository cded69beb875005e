using System.Diagnostics.CodeAnalysis;
using System.Reflection;

namespace Junctivor.Registering;

/// <summary>What creates the instances of a registration.</summary>
internal abstract record InstanceSource
{
    /// <summary>The type that is created, or that the user's code declares to give.</summary>
    public abstract Type InstanceType { get; }

    /// <summary>A constructor of a class.</summary>
    internal sealed record OfClass : InstanceSource
    {
        public OfClass([DynamicallyAccessedMembers(Kept.Members)] Type implementation) => Implementation = implementation;

        [DynamicallyAccessedMembers(Kept.Members)]
        public Type Implementation { get; }

        public override Type InstanceType => Implementation;
    }

    /// <summary>A function; <paramref name="Call"/> hands it its arguments without reflection.</summary>
    internal sealed record OfFactory(Type Returned, MethodInfo? Method, int ParameterCount, Func<object?[], object?> Call) : InstanceSource
    {
        public override Type InstanceType => Returned;
    }

    /// <summary>A function that takes its time; what starts a scope, or warms up, awaits it.</summary>
    internal sealed record OfAsyncFactory(
        Type Returned, MethodInfo Method, int ParameterCount, Func<object?[], Task<object>> Call) : InstanceSource
    {
        public override Type InstanceType => Returned;
    }

    /// <summary>An object that exists already.</summary>
    internal sealed record OfValue(object Value) : InstanceSource
    {
        public override Type InstanceType => Value.GetType();
    }

    /// <summary>A value supplied when the container or a scope starts.</summary>
    internal sealed record OfIncoming(Type Promised) : InstanceSource
    {
        public override Type InstanceType => Promised;
    }

    /// <summary>Nothing of its own: what serves another service serves this one too.</summary>
    internal sealed record OfAlias(Type Target) : InstanceSource
    {
        public override Type InstanceType => Target;
    }
}
