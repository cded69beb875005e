using Junctivor.Registering;

namespace Junctivor.Runtime;

/// <summary>The plug-ins of a container, in use until it leaves them.</summary>
internal sealed class UsedPlugins
{
    private readonly PluginContext[] _plugins;

    public UsedPlugins(IEnumerable<RegistrationData> entries)
    {
        _plugins = [.. entries.Select(entry => entry.Plugin).OfType<PluginContext>().Distinct()];
        Array.ForEach(_plugins, plugin => plugin.Use());
    }

    public void Leave() => Array.ForEach(_plugins, plugin => plugin.Leave());
}
