using System.Collections.Concurrent;

namespace Frameworks.Night;

/// <summary>What the rounds have seen.</summary>
public sealed class RoundBook
{
    private readonly ConcurrentQueue<string> _rounds = new();

    public IReadOnlyCollection<string> Rounds => _rounds;

    public void Note(string context, IReadOnlyCollection<string> vessels) => _rounds.Enqueue($"{context}: {vessels.Count} vessels");
}
