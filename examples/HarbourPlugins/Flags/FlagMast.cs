using System.Collections.Concurrent;
using Harbour.Contracts;

namespace Harbour.Flags;

/// <summary>Hoists a flag for each notice.</summary>
public sealed class FlagMast : INoticeChannel
{
    private readonly ConcurrentQueue<string> _flags = [];

    public string Name => "flag mast";

    public IReadOnlyList<string> Flags => [.. _flags];

    public void Tell(string notice) => _flags.Enqueue(notice);
}
