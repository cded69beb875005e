namespace Harbour.Contracts;

/// <summary>A way in which the office tells the harbour something.</summary>
public interface INoticeChannel
{
    string Name { get; }

    void Tell(string notice);
}
