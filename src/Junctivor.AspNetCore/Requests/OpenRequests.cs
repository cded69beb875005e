using System.Runtime.CompilerServices;

namespace Junctivor.Requests;

/// <summary>
/// The requests of a container that are being answered: on several lists, so that those who come and go at the same time seldom meet.
/// Safe for use by several threads.
/// </summary>
internal sealed class OpenRequests
{
    private static readonly ConditionalWeakTable<Container, OpenRequests> ByContainer = [];

    private readonly OpenList[] _lists = [.. Enumerable.Range(0, Environment.ProcessorCount).Select(_ => new OpenList())];

    /// <summary>Which they are, such as <c>GET /berths</c>.</summary>
    public IReadOnlyList<string> Names => [.. _lists.SelectMany(list => list.Names)];

    public static OpenRequests Of(Container container) => ByContainer.GetOrCreateValue(container);

    public void Add(RequestScope request)
    {
        request.List = Environment.CurrentManagedThreadId % _lists.Length;
        _lists[request.List].Add(request);
    }

    public void Remove(RequestScope request) => _lists[request.List].Remove(request);
}
