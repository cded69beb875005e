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
    internal sealed record OfIncoming(Type Declared) : InstanceSource
    {
        public override Type InstanceType => Declared;
    }

    /// <summary>Something that cannot be read, so that no node is made of it: the check reports it.</summary>
    /// <param name="What">How the report names it: a class, or the path of a file.</param>
    /// <param name="Reason">Why it cannot be read, as a sentence.</param>
    /// <param name="IsPlugin">Whether it is a file in a plug-in folder, which is skipped; otherwise the wiring registers it.</param>
    internal sealed record Unreadable(string What, string Reason, bool IsPlugin) : InstanceSource
    {
        public override Type InstanceType => typeof(object);
    }

    /// <summary>Nothing of its own: what serves another service serves this one too.</summary>
    internal sealed record OfAlias(Type Target) : InstanceSource
    {
        public override Type InstanceType => Target;
    }
}
