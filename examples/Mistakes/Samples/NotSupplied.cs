using Junctivor;

namespace Mistakes.Samples;

/// <summary>JV105: the settings are declared, and Build is called without them.</summary>
public static class NotSupplied
{
    public static Container Build()
    {
        Wiring wiring =
        [
            Singleton.Incoming<HarbourSettings>(),
            Singleton.From((HarbourSettings settings) => new LedgerFile(settings.DataFolder)),
        ];
        return wiring.Build();
    }

    private sealed record HarbourSettings(string DataFolder);

    private sealed record LedgerFile(string Folder);
}
