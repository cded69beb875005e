using System.Runtime.ExceptionServices;
using System.Security.Claims;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Http.Features;

namespace Junctivor.Requests;

/// <summary>Starts the scopes of requests. Safe for use by several threads.</summary>
internal sealed class RequestStarter
{
    private readonly Container _container;
    private readonly RequestOptions _options;
    private readonly OpenRequests _open;
    private readonly Func<HttpContext, Incoming>[] _declared;

    public RequestStarter(Container container, RequestOptions options)
    {
        _container = container;
        _options = options;
        _open = OpenRequests.Of(container);
        _declared =
        [
            .. Where<HttpContext>(Incoming.Value),
            .. Where<ClaimsPrincipal>(context => Incoming.WhenRequested(() => context.User)),
            .. Where<CancellationToken>(context => Incoming.Value(context.RequestAborted)),
        ];
    }

    public Task RunAsync(HttpContext context, RequestDelegate next)
    {
        ValueTask<RequestScope> starting = StartAsync(context);
        return starting.IsCompletedSuccessfully
            ? RunAsync(context, next, starting.Result)
            : AwaitAsync(context, next, starting);
    }

    private static Task RunAsync(HttpContext context, RequestDelegate next, RequestScope request)
    {
        context.Response.RegisterForDisposeAsync(request);
        context.Features.Set<IServiceProvidersFeature>(request);
        return next(context);
    }

    private static async Task AwaitAsync(HttpContext context, RequestDelegate next, ValueTask<RequestScope> starting) =>
        await RunAsync(context, next, await starting.ConfigureAwait(false)).ConfigureAwait(false);

    private IEnumerable<Func<HttpContext, Incoming>> Where<T>(Func<HttpContext, Incoming> value) =>
        _container.DeclaresIncoming(typeof(T)) ? [value] : [];

    private ValueTask<RequestScope> StartAsync(HttpContext context)
    {
        if (_options.Sessions is not null && _options.SessionKey(context) is { } key)
        {
            return _options.Sessions.TryEnter(key, out SessionVisit? visit)
                ? StartWithin(visit, context)
                : EnterAsync(_options.Sessions, key, context);
        }

        // The token of a request comes to be when it is requested: so it is requested only where something awaits.
        return _container.ScopesAwaitFactories
            ? StartAsync(context, _container, null)
            : new ValueTask<RequestScope>(new RequestScope(context, _container.StartScope(IncomingOf(context)), null, _open));
    }

    private async ValueTask<RequestScope> EnterAsync(Sessions sessions, string key, HttpContext context) =>
        await StartWithin(
            await sessions.EnterAsync(key, _options.SessionIncomingFor(context), context.RequestAborted).ConfigureAwait(false), context)
            .ConfigureAwait(false);

    private ValueTask<RequestScope> StartWithin(SessionVisit visit, HttpContext context)
    {
        if (visit.Scope.ScopesAwaitFactories)
        {
            return StartAsync(context, visit.Scope, visit);
        }

        try
        {
            return new ValueTask<RequestScope>(new RequestScope(context, visit.Scope.StartScope(IncomingOf(context)), visit, _open));
        }
        catch (Exception failure)
        {
            return FailedAsync(visit, failure);
        }
    }

    private async ValueTask<RequestScope> StartAsync(HttpContext context, Resolver within, SessionVisit? visit)
    {
        try
        {
            Scope scope = await within.StartScopeAsync(IncomingOf(context), context.RequestAborted).ConfigureAwait(false);
            return new RequestScope(context, scope, visit, _open);
        }
        catch (Exception failure) when (visit is not null)
        {
            return await FailedAsync(visit, failure).ConfigureAwait(false);
        }
    }

    /// <summary>The request that failed to start leaves its session.</summary>
    private static async ValueTask<RequestScope> FailedAsync(SessionVisit visit, Exception failure)
    {
        await RequestScope.LeaveAsync(visit, failure).ConfigureAwait(false);
        ExceptionDispatchInfo.Throw(failure);
        return null;
    }

    private Incoming[] IncomingOf(HttpContext context)
    {
        Incoming[] own = _options.IncomingFor(context);
        if (_declared.Length == 0)
        {
            return own;
        }

        Incoming[] all = new Incoming[_declared.Length + own.Length];
        for (int number = 0; number < _declared.Length; number++)
        {
            all[number] = _declared[number](context);
        }

        own.CopyTo(all, _declared.Length);
        return all;
    }
}
