using System.Reflection;
using System.Runtime.CompilerServices;

namespace Junctivor.Telemetry;

/// <summary>
/// Knows whether anybody can listen. Instruments belong to a library of the base class libraries that is loaded when it is first needed: by
/// whoever listens, by the runtime on behalf of a tool from outside, or by the just-in-time compiler where what resolves them has become
/// hot. Until then nobody can listen, and making them would take a small program longer than all its services. Safe for use by several
/// threads.
/// </summary>
internal static class Measuring
{
    private const string Library = "System.Diagnostics.DiagnosticSource,";

    private static readonly Lock Gate = new();
    private static volatile Instruments? Made;
    private static bool HasBegun;

    /// <summary>The instruments; null as long as nobody can listen.</summary>
    public static Instruments? Instruments => Made;

    /// <summary>Whether anybody listens.</summary>
    public static bool IsOn => Made is { } created && created.AreOn;

    /// <inheritdoc cref="Instruments.MeasureScopes"/>
    public static bool Scopes
    {
        [MethodImpl(MethodImplOptions.AggressiveInlining)]
        get => Made is { } created && created.MeasureScopes;
    }

    /// <summary>The first container looks who is there, and sees to it that those are noticed who come later.</summary>
    public static void Begin()
    {
        if (Interlocked.Exchange(ref HasBegun, true))
        {
            return;
        }

        AppDomain.CurrentDomain.AssemblyLoad += BeginWith;
        if (RuntimeFeature.IsDynamicCodeSupported)
        {
            foreach (Assembly loaded in AppDomain.CurrentDomain.GetAssemblies())
            {
                BeginWith(loaded);
            }
        }
        else
        {
            Make();
        }
    }

    private static void BeginWith(object? sender, AssemblyLoadEventArgs loaded) => BeginWith(loaded.LoadedAssembly);

    private static void BeginWith(Assembly loaded)
    {
        if (Made is null && loaded.FullName?.StartsWith(Library, StringComparison.Ordinal) == true)
        {
            Make();
        }
    }

    [MethodImpl(MethodImplOptions.NoInlining)]
    private static void Make()
    {
        lock (Gate)
        {
            Made ??= new Instruments();
        }

        AppDomain.CurrentDomain.AssemblyLoad -= BeginWith;
    }
}
