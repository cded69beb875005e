using Microsoft.Extensions.Caching.Memory;
using Polly;
using Polly.Retry;

namespace Frameworks.Weather;

/// <summary>A client with handlers and retries, and a cache in front of it.</summary>
public static class WeatherWiring
{
    private static readonly TimeSpan LongestConnection = TimeSpan.FromMinutes(2);

    public static Wiring Wiring =>
    [
        Singleton.From(() => new MemoryCache(new MemoryCacheOptions())).Also<IMemoryCache>(),
        Singleton.From(() => new ResiliencePipelineBuilder<HttpResponseMessage>()
            .AddRetry(new RetryStrategyOptions<HttpResponseMessage>
            {
                ShouldHandle = new PredicateBuilder<HttpResponseMessage>().HandleResult(response => (int)response.StatusCode >= 500),
                MaxRetryAttempts = 3,
                Delay = TimeSpan.Zero,
            })
            .Build()),

        // One client for the program: the connections are renewed, so that a change of the address is noticed.
        Singleton.From((IConfiguration configuration, ResiliencePipeline<HttpResponseMessage> retries) =>
            new HttpClient(new RetryingHandler(retries, new SocketsHttpHandler { PooledConnectionLifetime = LongestConnection }))
            {
                BaseAddress = new Uri(configuration["Weather"] ?? "http://127.0.0.1:5081"),
            }).Marked("weather"),
        Singleton.Of<WeatherOffice>(),
    ];
}
