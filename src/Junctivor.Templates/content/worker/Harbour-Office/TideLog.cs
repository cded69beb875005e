using Junctivor;

namespace Harbour_Office;

/// <summary>Writes one reading. One for each unit of work.</summary>
public sealed class TideLog([Marked("tides")] TextWriter output)
{
    public Task WriteAsync(DateTimeOffset at) => output.WriteLineAsync($"{at:HH:mm:ss} The tide is at {at.Second / 10.0:0.0} m.");
}
