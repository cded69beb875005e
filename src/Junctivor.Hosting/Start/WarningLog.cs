using Microsoft.Extensions.Hosting;
using Microsoft.Extensions.Logging;

namespace Junctivor.Hosting;

/// <summary>Writes the warnings of a wiring, which do not stop a build, to the log of the host.</summary>
internal static partial class WarningLog
{
    private const string Category = "Junctivor";

    /// <summary>Writes one entry for each warning; none where the host has no log.</summary>
    public static void Write(IHost host, CheckReport report)
    {
        if (report.Warnings.Count == 0 || host.Services.GetService(typeof(ILoggerFactory)) is not ILoggerFactory factory)
        {
            return;
        }

        ILogger log = factory.CreateLogger(Category);
        foreach (Fault warning in report.Warnings)
        {
            Warn(log, warning.Kind, warning.Summary, warning.Kind.HelpCommand);
        }
    }

    [LoggerMessage(Level = LogLevel.Warning, Message = "{Kind}: {Summary}. The whole text is in Container.Report; see {Help}.")]
    private static partial void Warn(ILogger log, FaultKind kind, string summary, string help);
}
