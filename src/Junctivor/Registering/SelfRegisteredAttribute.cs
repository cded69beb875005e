using System.Runtime.CompilerServices;

namespace Junctivor;

/// <summary>
/// Declares on a class its own registration, which <see cref="SelfRegistered"/> adds to a wiring. Several on one class
/// with the same lifetime and mark are one registration for several services.
/// </summary>
[AttributeUsage(AttributeTargets.Class, AllowMultiple = true, Inherited = false)]
public class SelfRegisteredAttribute : Attribute
{
    /// <summary>Registers the class as itself.</summary>
    /// <param name="lifetime">How long an instance is shared.</param>
    /// <param name="file">Filled in by the compiler: the source file of the call.</param>
    /// <param name="line">Filled in by the compiler: the line of the call.</param>
    public SelfRegisteredAttribute(Lifetime lifetime, [CallerFilePath] string file = "", [CallerLineNumber] int line = 0)
        : this(null!, lifetime, file, line)
    {
    }

    /// <summary>Registers the class for a service.</summary>
    /// <param name="service">The service; JV104 if the class does not implement it.</param>
    /// <param name="lifetime">How long an instance is shared.</param>
    /// <param name="file">Filled in by the compiler: the source file of the call.</param>
    /// <param name="line">Filled in by the compiler: the line of the call.</param>
    public SelfRegisteredAttribute(Type service, Lifetime lifetime, [CallerFilePath] string file = "", [CallerLineNumber] int line = 0)
    {
        Service = service;
        Lifetime = lifetime;
        File = file;
        Line = line;
    }

    /// <summary>The service; null for the class as itself.</summary>
    public Type? Service { get; }

    /// <summary>How long an instance is shared.</summary>
    public Lifetime Lifetime { get; }

    /// <summary>The mark, a string or a type, that distinguishes it from other registrations of its service; null for none.</summary>
    public object? Mark { get; init; }

    /// <summary>The source file of the attribute, as the compiler recorded it.</summary>
    public string File { get; }

    /// <summary>The line in <see cref="File"/>, counted from 1.</summary>
    public int Line { get; }
}
