using Polly;

namespace Frameworks.Weather;

/// <summary>Sends a request again, as the retries say.</summary>
public sealed class RetryingHandler(ResiliencePipeline<HttpResponseMessage> retries, HttpMessageHandler inner) : DelegatingHandler(inner)
{
    protected override async Task<HttpResponseMessage> SendAsync(HttpRequestMessage request, CancellationToken cancellationToken) =>
        await retries.ExecuteAsync(
            async token => await base.SendAsync(request, token).ConfigureAwait(false), cancellationToken).ConfigureAwait(false);
}
