using System.Diagnostics.CodeAnalysis;
using System.Runtime.CompilerServices;

namespace Junctivor.Registering;

/// <summary>
/// Whether classes can be found by looking through an assembly. In a program that was trimmed they may be gone without a trace, so that it
/// is refused there. The build of the program sets the switch (see <c>Junctivor.targets</c>); whoever keeps the scanned assemblies whole
/// sets <c>JunctivorScanning</c> to true.
/// </summary>
internal static class ScanningSupport
{
    private const string Switch = "Junctivor.IsScanningSupported";

    [FeatureSwitchDefinition(Switch)]
    public static bool IsSupported =>
        AppContext.TryGetSwitch(Switch, out bool isSupported) ? isSupported : RuntimeFeature.IsDynamicCodeSupported;

    /// <exception cref="PlatformNotSupportedException">The program was trimmed or compiled natively.</exception>
    public static void ThrowIfRefused(string what)
    {
        if (!IsSupported)
        {
            throw new PlatformNotSupportedException(what);
        }
    }
}
