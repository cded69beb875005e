using System.Collections.Concurrent;
using System.Runtime.CompilerServices;

namespace Junctivor.Requests;

/// <summary>The requests of a container that are being answered. Safe for use by several threads.</summary>
internal sealed class OpenRequests
{
    private static readonly ConditionalWeakTable<Container, OpenRequests> ByContainer = [];

    private readonly ConcurrentDictionary<RequestScope, bool> _requests = new(ReferenceEqualityComparer.Instance);

    /// <summary>Which they are, such as <c>GET /berths</c>.</summary>
    public IReadOnlyList<string> Names => [.. _requests.Keys.Select(request => request.ToString())];

    public static OpenRequests Of(Container container) => ByContainer.GetOrCreateValue(container);

    public void Add(RequestScope request) => _requests.TryAdd(request, true);

    public void Remove(RequestScope request) => _requests.TryRemove(request, out _);
}
