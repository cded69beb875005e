using Junctivor;

namespace Mistakes.Samples;

/// <summary>JV207: a file among the plug-ins is not an assembly.</summary>
public static class PluginSkipped
{
    public static Wiring In(string folder)
    {
        File.WriteAllText(Path.Combine(folder, "Foghorn.dll"), "not yet built");
        return [.. Plugins.In(folder)];
    }
}
