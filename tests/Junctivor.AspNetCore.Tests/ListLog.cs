using System.Collections.Concurrent;

namespace Junctivor.AspNetCore.Tests;

/// <summary>Keeps what a host writes to its log.</summary>
public sealed class ListLog : ILoggerProvider
{
    private readonly ConcurrentQueue<string> _lines = [];

    /// <summary>The category and the message of each entry.</summary>
    public IReadOnlyCollection<string> Lines => _lines;

    public ILogger CreateLogger(string categoryName) => new Log(categoryName, _lines);

    public void Dispose()
    {
    }

    private sealed class Log(string category, ConcurrentQueue<string> lines) : ILogger
    {
        public IDisposable? BeginScope<TState>(TState state)
            where TState : notnull => null;

        public bool IsEnabled(LogLevel logLevel) => true;

        void ILogger.Log<TState>(
            LogLevel logLevel, EventId eventId, TState state, Exception? exception, Func<TState, Exception?, string> formatter) =>
            lines.Enqueue($"{category}: {formatter(state, exception)}");
    }
}
