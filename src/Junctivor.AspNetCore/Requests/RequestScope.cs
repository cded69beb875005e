using Junctivor.EntryPoints;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Http.Features;

namespace Junctivor.Requests;

/// <summary>
/// The scope of one request, as the host sees it: it asks the scope first, and the host's own provider for what the wiring does not know.
/// That provider comes to be only when it is asked.
/// </summary>
internal sealed partial class RequestScope : IServiceProvidersFeature, IAsyncDisposable
{
    private readonly HttpContext _context;
    private readonly SessionVisit? _visit;
    private readonly OpenRequests _open;
    private readonly IServiceProvidersFeature? _hostFeature;
    private readonly string _path;
    private readonly string _method;
    private IServiceProvider? _host;

    public RequestScope(HttpContext context, Scope scope, SessionVisit? visit, OpenRequests open)
    {
        Scope = scope;
        RequestServices = this;
        _context = context;
        _visit = visit;
        _open = open;
        _hostFeature = context.Features.Get<IServiceProvidersFeature>();
        _method = context.Request.Method;
        _path = context.Request.Path.Value ?? "/";
        open.Add(this);
    }

    public Scope Scope { get; }

    /// <summary>This, unless somebody put another one in its place.</summary>
    public IServiceProvider RequestServices { get; set; }

    /// <summary>Its neighbors among the open requests, which guard these.</summary>
    public RequestScope? Before { get; set; }

    /// <inheritdoc cref="Before"/>
    public RequestScope? Behind { get; set; }

    /// <summary>Which of the lists of open requests it is on.</summary>
    public int List { get; set; }

    /// <summary>The host's own provider.</summary>
    private IServiceProvider Host => _host ?? FindHost();

    /// <summary>There is one for each request: so it is its own gate, and creates no other object for that.</summary>
    private object Gate => this;

    public override string ToString() => $"{_method} {_path}";

    public object? GetService(Type serviceType)
    {
        if (serviceType == typeof(IServiceProvider))
        {
            return this;
        }

        // A list that nobody fills is empty, and so is not known.
        return Scope.TryResolve(ServiceOf(serviceType), out object? known) && known is not Array { Length: 0 }
            ? known
            : ServiceLookup.IsCheck(serviceType)
                ? new ServiceLookup(Host, _open.Container)
                : Host.GetService(serviceType) ?? known;
    }

    /// <summary>A handler that takes <c>T?</c> of a struct asks for <c>T</c>.</summary>
    private static Type ServiceOf(Type type) => type.IsValueType ? ServiceLookup.Requested(type) : type;

    /// <summary>Ends the scope, and leaves the session, whatever either throws.</summary>
    public async ValueTask DisposeAsync()
    {
        try
        {
            await Scope.DisposeAsync().ConfigureAwait(false);
        }
        catch (Exception ended) when (_visit is not null)
        {
            await LeaveAsync(_visit, ended).ConfigureAwait(false);
            throw;
        }
        finally
        {
            _open.Remove(this);
        }

        if (_visit is not null)
        {
            await _visit.DisposeAsync().ConfigureAwait(false);
        }
    }

    /// <summary>Leaves a session behind something that was thrown. If that throws too, both are thrown; otherwise the caller goes on
    /// throwing.</summary>
    public static async ValueTask LeaveAsync(SessionVisit visit, Exception thrown)
    {
        try
        {
            await visit.DisposeAsync().ConfigureAwait(false);
        }
        catch (Exception left)
        {
            throw new AggregateException("The request failed, and so did leaving its session.", thrown, left);
        }
    }

    /// <summary>The host creates its provider when the context is asked and has none: so this steps aside for a moment.</summary>
    private IServiceProvider FindHost()
    {
        lock (Gate)
        {
            if (_host is null)
            {
                if (_hostFeature is not null)
                {
                    return _host = _hostFeature.RequestServices;
                }

                _context.Features.Set<IServiceProvidersFeature>(null);
                try
                {
                    _host = _context.RequestServices;
                }
                finally
                {
                    _context.Features.Set<IServiceProvidersFeature>(this);
                }
            }

            return _host;
        }
    }
}
