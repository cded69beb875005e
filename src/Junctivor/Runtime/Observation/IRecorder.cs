using Junctivor.Graph;

namespace Junctivor.Runtime;

/// <summary>
/// Records what a container does: told more than an observer, such as who resolved what. Called by several threads at the same time, on
/// the thread of the event; it must not throw.
/// </summary>
internal interface IRecorder
{
    /// <summary>A scope was started.</summary>
    void Started(Scope scope);

    /// <summary>A scope was disposed, after everything in it.</summary>
    void Ended(Scope scope);

    /// <summary>A constructor or factory returned an instance, or threw.</summary>
    void Constructed(ConstructionRecord construction);

    /// <summary>Somebody outside all constructors and factories resolved a service, or a factory did.</summary>
    /// <param name="node">What provides it; null for a list or a wrapper.</param>
    /// <param name="instance">The instance, whether it is new or was there.</param>
    /// <param name="asked">The container or scope that was asked.</param>
    /// <param name="by">The class or factory that is under construction; null for none.</param>
    void Requested(Node? node, object instance, Resolver asked, string? by);

    /// <summary>An instance was disposed.</summary>
    void Disposed(object instance);
}
