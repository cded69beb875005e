using Harbour.Contracts;

namespace Harbour.Loudhailer;

/// <summary>Calls each notice over the water.</summary>
public sealed class Loudhailer : INoticeChannel
{
    public string Name => "loudhailer";

    public int Calls { get; private set; }

    public void Tell(string notice) => Calls++;
}
