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
    private readonly Func<HttpContext, Incoming>[] _promised;

    public RequestStarter(Container container, RequestOptions options)
    {
        _container = container;
        _options = options;
        _open = OpenRequests.Of(container);
        _promised =
        [
            .. Where<HttpContext>(Incoming.Value),
            .. Where<ClaimsPrincipal>(context => Incoming.Value(context.User)),
            .. Where<CancellationToken>(context => Incoming.Value(context.RequestAborted)),
        ];
    }

    public async Task RunAsync(HttpContext context, RequestDelegate next)
    {
        RequestScope request = await StartAsync(context).ConfigureAwait(false);
        context.Response.RegisterForDisposeAsync(request);
        context.Features.Set(request);
        context.Features.Set<IServiceProvidersFeature>(request);
        await next(context).ConfigureAwait(false);
    }

    private IEnumerable<Func<HttpContext, Incoming>> Where<T>(Func<HttpContext, Incoming> value) => _container.Promises(typeof(T)) ? [value] : [];

    private async ValueTask<RequestScope> StartAsync(HttpContext context)
    {
        if (_options.Sessions is null || _options.SessionKey(context) is not { } key)
        {
            Scope alone = await _container.StartScopeAsync(context.RequestAborted, IncomingOf(context)).ConfigureAwait(false);
            return new RequestScope(context, alone, null, _open);
        }

        SessionVisit visit = await _options.Sessions.EnterAsync(key, context.RequestAborted, _options.SessionIncoming(context)).ConfigureAwait(false);
        try
        {
            Scope within = await visit.Scope.StartScopeAsync(context.RequestAborted, IncomingOf(context)).ConfigureAwait(false);
            return new RequestScope(context, within, visit, _open);
        }
        catch
        {
            await visit.DisposeAsync().ConfigureAwait(false);
            throw;
        }
    }

    private Incoming[] IncomingOf(HttpContext context)
    {
        Incoming[] own = _options.Incoming(context);
        if (_promised.Length == 0)
        {
            return own;
        }

        Incoming[] all = new Incoming[_promised.Length + own.Length];
        for (int number = 0; number < _promised.Length; number++)
        {
            all[number] = _promised[number](context);
        }

        own.CopyTo(all, _promised.Length);
        return all;
    }
}
