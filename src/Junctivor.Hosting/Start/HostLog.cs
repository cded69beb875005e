using Junctivor.Checks;
using Microsoft.Extensions.Hosting;
using Microsoft.Extensions.Logging;

namespace Junctivor.Hosting;

/// <summary>Writes to the log of the host, in a category of its own; nothing where the host has no log.</summary>
internal static partial class HostLog
{
    private const string Category = "Junctivor";

    /// <summary>Writes one entry for each warning of a wiring: they do not stop a build.</summary>
    public static void WriteWarnings(IHost host, CheckReport report)
    {
        if (report.Warnings.Count == 0 || LogOf(host) is not { } log)
        {
            return;
        }

        foreach (Fault warning in report.Warnings)
        {
            Warn(log, warning.Kind, warning.Summary, warning.Kind.HelpCommand);
        }
    }

    /// <summary>Writes why the host stops.</summary>
    public static void WriteFailure(IHost host, BackgroundException failure)
    {
        if (LogOf(host) is { } log)
        {
            Stop(log, failure.InnerException, failure.Service);
        }
    }

    /// <summary>Writes that a wiring was changed, which has no effect.</summary>
    public static void WriteChange(IHost host, string change)
    {
        if (LogOf(host) is { } log)
        {
            Change(log, change);
        }
    }

    private static ILogger? LogOf(IHost host) =>
        (host.Services.GetService(typeof(ILoggerFactory)) as ILoggerFactory)?.CreateLogger(Category);

    [LoggerMessage(Level = LogLevel.Warning, Message = "{Kind}: {Summary}. The full report is in Container.Report. Help: {Help}.")]
    private static partial void Warn(ILogger log, FaultKind kind, string summary, string help);

    [LoggerMessage(Level = LogLevel.Warning, Message = "{Change}")]
    private static partial void Change(ILogger log, string change);

    [LoggerMessage(Level = LogLevel.Critical, Message = "The background work of {Service} failed. The program stops.")]
    private static partial void Stop(ILogger log, Exception? failure, string service);
}
