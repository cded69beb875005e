using Microsoft.Extensions.Caching.Memory;

namespace Frameworks.Weather;

/// <summary>Asks for the wind, and keeps the answer for a while.</summary>
public sealed partial class WeatherOffice([Marked("weather")] HttpClient client, IMemoryCache cache, ILogger<WeatherOffice> log)
{
    private static readonly TimeSpan Kept = TimeSpan.FromMinutes(10);

    public Task<string?> WindAsync(string day) => cache.GetOrCreateAsync(day, entry =>
    {
        entry.AbsoluteExpirationRelativeToNow = Kept;
        Asks(log, day);
        return client.GetStringAsync(new Uri($"wind/{day}", UriKind.Relative));
    });

    [LoggerMessage(Level = LogLevel.Information, Message = "Asks for the wind of {Day}")]
    private static partial void Asks(ILogger log, string day);
}
