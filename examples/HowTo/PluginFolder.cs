using System.Diagnostics.CodeAnalysis;
using Harbour.Contracts;

namespace HowTo;

/// <summary>Each assembly in a folder is loaded by itself, and brings the wirings that it marks [CheckedWiring].</summary>
internal static class PluginFolder
{
    [UnconditionalSuppressMessage("Trimming", "IL2026", Justification = "A native build says at run time that it loads no plug-ins.")]
    public static void Run()
    {
        string broken = Path.Combine(AppContext.BaseDirectory, "plugins", "Broken.dll");
        File.WriteAllText(broken, "this is no assembly");

        Plugins plugins = Plugins.In("plugins");
        File.Delete(broken);
        WriteLine(plugins);

        Wiring wiring = [Transient.Of<NoticeDesk>(), .. plugins];
        using Container container = wiring.Build();
        WriteLine();
        WriteLine(container.Resolve<NoticeDesk>().Describe());
        WriteLine();
        WriteLine(container.Report.Warnings[0]);
    }

    private sealed class NoticeDesk(IReadOnlyList<INoticeChannel> channels, IReadOnlyList<IContributesEndpoints> endpoints)
    {
        public string Describe() =>
            $"Notices go out by {string.Join(" and ", channels.Select(channel => channel.Name))}; {endpoints.Count} plug-in brings "
                + "endpoints.";
    }
}
