using System.Diagnostics.CodeAnalysis;
using Junctivor.Endpoints;
using Junctivor.Hubs;
using Junctivor.Requests;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Http.Features;
using Microsoft.AspNetCore.SignalR;

namespace Junctivor;

/// <summary>
/// Gives each call of a SignalR hub a scope of its own, and sets the properties of the hub that have <see cref="InjectAttribute"/>. Add it
/// to the options of SignalR, and map the hub in a group of <see cref="WiredEndpoints.MapWired"/>, which provides the container. The scope
/// is disposed when the call has returned; where it returns a stream, when that ends. Safe for use by several threads.
/// </summary>
/// <example>
/// <code>
/// // In the services of the host: AddSignalR(options => options.AddFilter(new WiredHubFilter()))
/// WebApplication app = builder.Build();
/// app.MapWired(container).MapHub&lt;DepartureHub&gt;("/departures");
///
/// public sealed class DepartureHub : Hub
/// {
///     [Inject]
///     public BerthPlanner Planner { get; set; } = null!;
///
///     public string Plan(string vessel) => Planner.Plan(vessel);
/// }
/// </code>
/// </example>
public sealed class WiredHubFilter : IHubFilter
{
    /// <summary>Returns the values for the scope of a call that the wiring declares with <c>Scoped.Incoming</c>; none by default. While
    /// the connection is one request, as with web sockets, the values of that request are inherited; by long polling it is none.</summary>
    public Func<HubCallerContext, Incoming[]> IncomingFor { get; init; } = _ => [];

    /// <inheritdoc />
    /// <exception cref="InvalidOperationException">The hub is mapped outside of <see cref="WiredEndpoints.MapWired"/>.</exception>
    public async ValueTask<object?> InvokeMethodAsync(
        HubInvocationContext invocationContext, Func<HubInvocationContext, ValueTask<object?>> next)
    {
        ArgumentNullException.ThrowIfNull(invocationContext);
        ArgumentNullException.ThrowIfNull(next);
        Scope scope = await StartAsync(invocationContext.Context, invocationContext.Hub).ConfigureAwait(false);
        object? result;
        try
        {
            Fill(scope, invocationContext.Hub);
            result = await next(invocationContext).ConfigureAwait(false);
        }
        catch
        {
            await scope.DisposeAsync().ConfigureAwait(false);
            throw;
        }

        return await ScopedStreams.EndWithAsync(result, scope).ConfigureAwait(false);
    }

    /// <inheritdoc />
    public Task OnConnectedAsync(HubLifetimeContext context, Func<HubLifetimeContext, Task> next)
    {
        ArgumentNullException.ThrowIfNull(context);
        ArgumentNullException.ThrowIfNull(next);
        return RunAsync(context, () => next(context));
    }

    /// <inheritdoc />
    public Task OnDisconnectedAsync(HubLifetimeContext context, Exception? exception, Func<HubLifetimeContext, Exception?, Task> next)
    {
        ArgumentNullException.ThrowIfNull(context);
        ArgumentNullException.ThrowIfNull(next);
        return RunAsync(context, () => next(context, exception));
    }

    private async Task RunAsync(HubLifetimeContext context, Func<Task> work)
    {
        await using Scope scope = await StartAsync(context.Context, context.Hub).ConfigureAwait(false);
        Fill(scope, context.Hub);
        await work().ConfigureAwait(false);
    }

    [UnconditionalSuppressMessage("Trimming", "IL2091", Justification = "The host keeps the members of hubs that are mapped.")]
    private static void Fill(Scope scope, Hub hub) => scope.FillProperties(hub);

    private ValueTask<Scope> StartAsync(HubCallerContext context, Hub hub)
    {
        HttpContext? connection = context.GetHttpContext();
        WiredEndpoint endpoint = connection?.GetEndpoint()?.Metadata.GetMetadata<WiredEndpoint>()
            ?? throw new InvalidOperationException(
                $"{hub.GetType().Name} is mapped outside of app.MapWired(container), so its calls have no container: map it with "
                    + $"app.MapWired(container).MapHub<{hub.GetType().Name}>(…).");
        Resolver within = connection.Features.Get<IServiceProvidersFeature>() is RequestScope request ? request.Scope : endpoint.Container;
        return within.StartScopeAsync(IncomingFor(context));
    }
}
