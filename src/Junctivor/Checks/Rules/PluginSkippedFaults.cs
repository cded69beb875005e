namespace Junctivor.Checks;

/// <summary>JV207: a file among the plug-ins that could not be loaded; the rest is.</summary>
internal static class PluginSkippedFaults
{
    /// <param name="trouble">What is wrong with the file, as a sentence.</param>
    public static Fault Of(string trouble) => new(FaultKind.PluginSkipped)
    {
        Summary = trouble,
        Fixes = [new Fix(
            "replace the file by one that is built for this program, or remove it from the folder; the program runs without its services")],
        Order = int.MaxValue,
    };
}
