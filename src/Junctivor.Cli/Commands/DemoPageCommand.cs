using System.ComponentModel;
using System.Diagnostics;
using System.Runtime.InteropServices;
using Junctivor.Cli.Demo;
using Junctivor.Cli.Demo.Office;
using Junctivor.Cli.Output;
using Junctivor.Reports.Recording;

namespace Junctivor.Cli.Commands;

/// <summary>junctivor demo --page: a harbour office that works, and its wiring as a live page in the browser.</summary>
internal static class DemoPageCommand
{
    /// <param name="port">The port; 0 for any that is free.</param>
    public static async Task<int> RunAsync(int port)
    {
        using CancellationTokenSource end = new();
        using PosixSignalRegistration interrupt = PosixSignalRegistration.Create(PosixSignal.SIGINT, End);
        using PosixSignalRegistration terminate = PosixSignalRegistration.Create(PosixSignal.SIGTERM, End);

        await using Container office = LiveOffice.Wiring.Build(Incoming.Value(new HarbourSettings("North Quay")));
        using LivePageServer server = new(new LiveRecording("harbour office", office), port);
        Terminal.Out.WriteLine($"A harbour office at work: {server.Address}");
        Terminal.Out.WriteLine("Open it in a browser if it does not open by itself; Ctrl+C ends it.");
        Terminal.Out.WriteLine("In your own application: app.MapWiringPage(\"/wiring\", container),");
        Terminal.Out.WriteLine("or without a web server: container.RecordScopes(\"scopes.json\").");
        Terminal.Out.Flush();
        if (!Console.IsOutputRedirected)
        {
            OpenBrowser(server.Address);
        }

        await Task.WhenAll(PlayAsync(office, server, end.Token), server.RunAsync(end.Token)).ConfigureAwait(false);
        return ExitStatus.Sound;

        void End(PosixSignalContext signal)
        {
            signal.Cancel = true;
            end.Cancel();
        }
    }

    /// <summary>The day begins when somebody looks, so that they see it from its morning on.</summary>
    private static async Task PlayAsync(Container office, LivePageServer server, CancellationToken cancellationToken)
    {
        await server.Looked.WaitAsync(cancellationToken).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
        await new OfficeDay(office).PlayAsync(cancellationToken).ConfigureAwait(false);
    }

    private static void OpenBrowser(Uri address)
    {
        try
        {
            using Process? browser = Process.Start(new ProcessStartInfo(address.ToString()) { UseShellExecute = true });
        }
        catch (Exception failure) when (failure is Win32Exception or InvalidOperationException or PlatformNotSupportedException)
        {
            // There is no browser: the address is written down.
        }
    }
}
