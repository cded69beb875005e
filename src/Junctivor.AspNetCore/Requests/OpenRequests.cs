using System.Runtime.CompilerServices;
using Junctivor.Hosting;

namespace Junctivor.Requests;

/// <summary>
/// The requests of a container that are being answered: on several lists, so that those who come and go at the same time seldom meet.
/// Safe for use by several threads.
/// </summary>
internal sealed class OpenRequests(Container container)
{
    private static readonly ConditionalWeakTable<Container, OpenRequests> ByContainer = [];

    private readonly OpenList[] _lists = [.. Enumerable.Range(0, Environment.ProcessorCount).Select(_ => new OpenList())];

    public Container Container => container;

    /// <summary>Which they are, such as <c>GET /berths</c>.</summary>
    public IReadOnlyList<string> Names => [.. _lists.SelectMany(list => list.Names)];

    public static OpenRequests Of(Container container) => ByContainer.GetValue(container, static served =>
    {
        OpenRequests open = new(served);
        HostParts.Of(served).AddOpenWork(() => open.Names);
        return open;
    });

    public void Add(RequestScope request)
    {
        request.List = Environment.CurrentManagedThreadId % _lists.Length;
        _lists[request.List].Add(request);
    }

    public void Remove(RequestScope request) => _lists[request.List].Remove(request);
}
