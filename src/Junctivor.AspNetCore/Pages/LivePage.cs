using System.Runtime.CompilerServices;
using Junctivor.Reports.Recording;
using Junctivor.Requests;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Http.Features;
using Microsoft.Extensions.Hosting;

namespace Junctivor.Pages;

/// <summary>Answers for the wiring page, and for the events that it listens to.</summary>
internal static class LivePage
{
    private static readonly TimeSpan Pause = TimeSpan.FromMilliseconds(200);

    public static Task WriteAsync(HttpContext context, LiveRecording recording)
    {
        ForgetOwn(context, recording);
        context.Response.ContentType = "text/html; charset=utf-8";
        context.Response.Headers.CacheControl = "no-store";
        return context.Response.WriteAsync(recording.Page, context.RequestAborted);
    }

    public static async Task WriteEventsAsync(HttpContext context, LiveRecording recording)
    {
        CancellationToken stopping = (context.RequestServices.GetService(typeof(IHostApplicationLifetime)) as IHostApplicationLifetime)
            ?.ApplicationStopping ?? CancellationToken.None;
        using CancellationTokenSource end = CancellationTokenSource.CreateLinkedTokenSource(context.RequestAborted, stopping);
        using LiveRecording.Watch watch = recording.Begin();
        ForgetOwn(context, recording);
        await TypedResults.ServerSentEvents(ChangesAsync(watch, end.Token), "recorded").ExecuteAsync(context).ConfigureAwait(false);
    }

    /// <summary>The page is not what one looks at.</summary>
    private static void ForgetOwn(HttpContext context, LiveRecording recording)
    {
        if (context.Features.Get<IServiceProvidersFeature>() is RequestScope own)
        {
            recording.Forget(own.Scope);
        }
    }

    /// <summary>What has changed, a few times in a second, until nobody listens any more.</summary>
    private static async IAsyncEnumerable<string> ChangesAsync(
        LiveRecording.Watch watch, [EnumeratorCancellation] CancellationToken cancellationToken)
    {
        using PeriodicTimer timer = new(Pause);
        do
        {
            if (watch.TakeChanges() is { } changes)
            {
                yield return changes;
            }
        }
        while (await IsDueAsync(timer, cancellationToken).ConfigureAwait(false));
    }

    private static async ValueTask<bool> IsDueAsync(PeriodicTimer timer, CancellationToken cancellationToken)
    {
        try
        {
            return await timer.WaitForNextTickAsync(cancellationToken).ConfigureAwait(false);
        }
        catch (OperationCanceledException)
        {
            return false;
        }
    }
}
