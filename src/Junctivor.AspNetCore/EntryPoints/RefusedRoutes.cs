using System.Collections;
using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using Junctivor.Endpoints;
using Microsoft.AspNetCore.Routing;

namespace Junctivor.EntryPoints;

/// <summary>
/// Leaves out of a source an endpoint that the host has refused to build, so that the refusal does not hide those of the endpoints behind
/// it: the application does not start in any case. The host has no public way for that; if a newer one keeps its endpoints elsewhere, only
/// the first refusal is known.
/// </summary>
internal static class RefusedRoutes
{
    private const BindingFlags Own = BindingFlags.Instance | BindingFlags.NonPublic;

    /// <param name="source">The source.</param>
    /// <param name="handler">The handler of the refused endpoint.</param>
    /// <returns>Whether it was found and left out.</returns>
    public static bool TryLeaveOut(EndpointDataSource source, MethodInfo handler)
    {
        if (source is BuiltEndpointSource built)
        {
            return TryLeaveOut(built.Inner, handler);
        }

        if (FieldOf(source, "_routeEntries") is IList entries)
        {
            return TryRemove(entries, handler);
        }

        return FieldOf(source, "_routeGroupBuilder") is { } group
            && FieldOf(group, "_dataSources") is IEnumerable<EndpointDataSource> inner
            && inner.Any(each => TryLeaveOut(each, handler));
    }

    private static bool TryRemove(IList entries, MethodInfo handler)
    {
        for (int number = 0; number < entries.Count; number++)
        {
            if (HandlerOf(entries[number]!) is { Method: var method } && method == handler)
            {
                entries.RemoveAt(number);
                return true;
            }
        }

        return false;
    }

    [UnconditionalSuppressMessage("Trimming", "IL2075", Justification = "What is trimmed away is not found, as documented.")]
    private static object? FieldOf(object owner, string name) => owner.GetType().GetField(name, Own)?.GetValue(owner);

    [UnconditionalSuppressMessage("Trimming", "IL2075", Justification = "What is trimmed away is not found, as documented.")]
    private static Delegate? HandlerOf(object entry) => entry.GetType().GetProperty("RouteHandler")?.GetValue(entry) as Delegate
        ?? entry.GetType().GetField("RouteHandler")?.GetValue(entry) as Delegate;
}
