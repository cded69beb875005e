using System.ComponentModel;
using System.Diagnostics.CodeAnalysis;
using Junctivor.Registering;

namespace Junctivor.CompilerServices;

/// <summary>
/// Names a class of an assembly that registers itself, for <see cref="SelfRegistered"/>, so that no assembly has to be searched at run
/// time. The package writes it while the assembly is compiled. Immutable.
/// </summary>
/// <param name="className">The name of the class in metadata, with its assembly, such as <c>Harbour.Quays+Notice, Harbour</c>; null says
/// that the assembly has no such class.</param>
[AttributeUsage(AttributeTargets.Assembly, AllowMultiple = true)]
[EditorBrowsable(EditorBrowsableState.Never)]
public sealed class SelfRegisteredClassAttribute([DynamicallyAccessedMembers(Kept.Members)] string? className) : Attribute
{
    /// <summary>The name of the class in metadata, with its assembly; null if the assembly has no such class.</summary>
    [DynamicallyAccessedMembers(Kept.Members)]
    public string? ClassName { get; } = className;
}
