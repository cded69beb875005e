namespace Junctivor.Checks;

/// <summary>JV207: a file among the plug-ins that could not be loaded; the rest is.</summary>
internal static class PluginFaults
{
    /// <param name="trouble">What is wrong with the file, as a sentence.</param>
    public static Fault Of(string trouble) => new()
    {
        Kind = FaultKind.PluginLeftOut,
        Summary = trouble,
        Fixes = [new Fix("take the file out of the folder, or put in one that is built for this program")],
        Order = int.MaxValue,
    };
}
