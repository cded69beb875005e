using System.Collections.Concurrent;
using System.Diagnostics.Tracing;

namespace Junctivor.Tests.Shared;

/// <summary>Keeps what hosts write to their logs.</summary>
internal sealed class ListLog : EventListener
{
    private const EventKeywords FormattedMessages = (EventKeywords)4;

    private readonly ConcurrentQueue<string> _lines = [];

    /// <summary>The category and the message of each entry.</summary>
    public IReadOnlyCollection<string> Lines => _lines;

    protected override void OnEventSourceCreated(EventSource eventSource)
    {
        if (eventSource.Name == "Microsoft-Extensions-Logging")
        {
            EnableEvents(eventSource, EventLevel.Warning, FormattedMessages);
        }
    }

    protected override void OnEventWritten(EventWrittenEventArgs eventData)
    {
        if (eventData is { PayloadNames: { } names, Payload: { } values } && names.Contains("FormattedMessage"))
        {
            _lines.Enqueue($"{values[names.IndexOf("LoggerName")]}: {values[names.IndexOf("FormattedMessage")]}");
        }
    }
}
