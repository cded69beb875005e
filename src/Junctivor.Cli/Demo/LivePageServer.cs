using System.Net;
using System.Net.Sockets;
using System.Text;
using Junctivor.Cli.Loading;
using Junctivor.Reports.Recording;

namespace Junctivor.Cli.Demo;

/// <summary>Serves the live page of one container to this machine: what <c>MapWiringPage</c> of the web package does in an
/// application.</summary>
internal sealed class LivePageServer : IDisposable
{
    private static readonly TimeSpan Pause = TimeSpan.FromMilliseconds(200);

    private readonly HttpListener _listener = new();
    private readonly LiveRecording _recording;
    private readonly TaskCompletionSource _looked = new(TaskCreationOptions.RunContinuationsAsynchronously);

    /// <exception cref="CannotCheckException">The port is taken.</exception>
    public LivePageServer(LiveRecording recording, int port)
    {
        _recording = recording;
        Address = new Uri($"http://127.0.0.1:{(port == 0 ? FreePort() : port)}/");
        _listener.Prefixes.Add(Address.ToString());
        try
        {
            _listener.Start();
        }
        catch (HttpListenerException failure)
        {
            throw new CannotCheckException($"{Address} cannot be opened: {failure.Message.TrimEnd('.')}. Give another port with --port.");
        }
    }

    public Uri Address { get; }

    /// <summary>Completes when somebody looks for the first time.</summary>
    public Task Looked => _looked.Task;

    /// <summary>Answers until it is canceled.</summary>
    public async Task RunAsync(CancellationToken cancellationToken)
    {
        using CancellationTokenRegistration stop = cancellationToken.Register(_listener.Stop);
        while (!cancellationToken.IsCancellationRequested)
        {
            HttpListenerContext context;
            try
            {
                context = await _listener.GetContextAsync().ConfigureAwait(false);
            }
            catch (Exception failure) when (failure is HttpListenerException or ObjectDisposedException)
            {
                return;
            }

            _ = AnswerAsync(context, cancellationToken);
        }
    }

    public void Dispose() => ((IDisposable)_listener).Dispose();

    private async Task AnswerAsync(HttpListenerContext context, CancellationToken cancellationToken)
    {
        using HttpListenerResponse response = context.Response;
        try
        {
            switch (context.Request.Url?.AbsolutePath)
            {
                case "/":
                    await WriteAsync(response, "text/html; charset=utf-8", _recording.Page, cancellationToken).ConfigureAwait(false);
                    break;
                case "/events":
                    await WriteEventsAsync(response, cancellationToken).ConfigureAwait(false);
                    break;
                default:
                    response.StatusCode = (int)HttpStatusCode.NotFound;
                    break;
            }
        }
        catch (Exception failure) when (failure is HttpListenerException or IOException
            or OperationCanceledException or ObjectDisposedException)
        {
            // Whoever looked has gone, or the demonstration is over.
        }
    }

    private async Task WriteEventsAsync(HttpListenerResponse response, CancellationToken cancellationToken)
    {
        response.SendChunked = true;
        using LiveRecording.Watch watch = _recording.Begin();
        _looked.TrySetResult();
        response.ContentType = "text/event-stream";
        while (true)
        {
            // A comment now and then is what shows that nobody listens any more.
            string text = watch.TakeChanges() is { } changes ? $"event: recorded\ndata: {changes}\n\n" : ":\n\n";
            await response.OutputStream.WriteAsync(Encoding.UTF8.GetBytes(text), cancellationToken).ConfigureAwait(false);
            await response.OutputStream.FlushAsync(cancellationToken).ConfigureAwait(false);
            await Task.Delay(Pause, cancellationToken).ConfigureAwait(false);
        }
    }

    private static async Task WriteAsync(HttpListenerResponse response, string type, string text, CancellationToken cancellationToken)
    {
        response.ContentType = type;
        response.Headers["Cache-Control"] = "no-store";
        byte[] content = Encoding.UTF8.GetBytes(text);
        response.ContentLength64 = content.Length;
        await response.OutputStream.WriteAsync(content, cancellationToken).ConfigureAwait(false);
    }

    private static int FreePort()
    {
        using TcpListener probe = new(IPAddress.Loopback, 0);
        probe.Start();
        return ((IPEndPoint)probe.LocalEndpoint).Port;
    }
}
