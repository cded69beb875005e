using System.Reflection;
using System.Runtime.CompilerServices;
using System.Text.RegularExpressions;
using Junctivor.Endpoints;
using Junctivor.Reports.Graphs;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Routing;
using Microsoft.AspNetCore.Routing.Patterns;

namespace Junctivor.EntryPoints;

/// <summary>Reads from the endpoints of an application what the host will request for them.</summary>
/// <param name="host">The host's own provider.</param>
/// <param name="container">The container.</param>
internal sealed partial class EndpointReader(IServiceProvider host, Container container)
{
    private readonly FoundEntryPoints _found = new(new ServiceLookup(host, container));

    /// <summary>What was found.</summary>
    public IReadOnlyList<EntryPoint> EntryPoints => [.. _found.All.Select(found => found.EntryPoint)];

    /// <summary>The same, with the places in the source, which take a while to find.</summary>
    public IReadOnlyList<EntryPoint> WithPlaces()
    {
        IReadOnlyDictionary<MemberInfo, (string File, int Line)> places =
            MethodPlaces.Of(_found.All.Select(found => found.Written).OfType<MemberInfo>());
        return
        [
            .. _found.All.Select(found => found.Written is { } written && places.TryGetValue(written, out (string File, int Line) place)
                ? found.EntryPoint with { File = place.File, Line = place.Line }
                : found.EntryPoint),
        ];
    }

    public void Read(IEnumerable<EndpointDataSource> sources)
    {
        bool hasActions = false;
        foreach (Endpoint endpoint in sources.SelectMany(EndpointsOf))
        {
            string name = NameOf(endpoint);
            HandlerReader.Read(endpoint, name, _found);
            HubReader.ReadGrpc(endpoint, _found);
            if (Has(endpoint, "Microsoft.AspNetCore.SignalR"))
            {
                HubReader.Read(endpoint, _found);
            }

            // Controllers and pages do not work in a program that is compiled natively, and so are left out of it.
            if (RuntimeFeature.IsDynamicCodeSupported && Has(endpoint, "Microsoft.AspNetCore.Mvc"))
            {
                hasActions = true;
                ControllerReader.Read(endpoint, name, host, _found);
                PageReader.Read(endpoint, host, _found);
            }
        }

        if (WiredEndpoints.AreMapped(container))
        {
            _found.Add(
                nameof(WiredEndpoints.MapWiredEndpoints), typeof(IContributesEndpoints),
                [new HandlerParameter("contributing", typeof(IReadOnlyList<IContributesEndpoints>), [], () => false)]);
        }

        if (RuntimeFeature.IsDynamicCodeSupported && hasActions)
        {
            PageReader.ReadViews(host, _found);
        }
    }

    /// <summary>By the name alone, so that a program without such endpoints does not load what reads them.</summary>
    private static bool Has(Endpoint endpoint, string space) => endpoint.Metadata.Any(metadata =>
        metadata.GetType().Namespace?.StartsWith(space, StringComparison.Ordinal) == true);

    private static string NameOf(Endpoint endpoint) => endpoint is RouteEndpoint routed
        ? NameOf(routed.RoutePattern, endpoint.Metadata.GetMetadata<IHttpMethodMetadata>())
        : endpoint.DisplayName ?? "an endpoint";

    private static string NameOf(RoutePattern pattern, IHttpMethodMetadata? methods)
    {
        string path = $"/{pattern.RawText?.TrimStart('/')}";
        return methods is { HttpMethods.Count: > 0 } ? $"{string.Join(", ", methods.HttpMethods)} {path}" : path;
    }

    /// <summary>The endpoints of a source; if the host refuses to build one of them, that is a problem, which is said in our
    /// words.</summary>
    private IReadOnlyList<Endpoint> EndpointsOf(EndpointDataSource source)
    {
        while (true)
        {
            try
            {
                return source is BuiltEndpointSource built ? built.Build() : source.Endpoints;
            }
            catch (Exception refusal) when (refusal is InvalidOperationException or ArgumentException)
            {
                (string name, MethodInfo? handler) = RefusedIn(source);
                AddRefused(refusal, name, handler);
                if (handler is null || !RefusedRoutes.TryLeaveOut(source, handler))
                {
                    return [];
                }
            }
        }
    }

    /// <summary>The endpoint that the host could not build: the last that it began.</summary>
    private (string Name, MethodInfo? Handler) RefusedIn(EndpointDataSource source)
    {
        (string Name, MethodInfo? Handler) last = ("an endpoint", null);
        try
        {
            source.GetGroupedEndpoints(new RouteGroupContext
            {
                Prefix = RoutePatternFactory.Parse(""),
                ApplicationServices = host,
                Conventions = [builder => last = builder is RouteEndpointBuilder route
                    ? (NameOf(route.RoutePattern, route.Metadata.OfType<IHttpMethodMetadata>().LastOrDefault()),
                        route.Metadata.OfType<MethodInfo>().FirstOrDefault())
                    : last],
            });
        }
        catch (Exception refusal) when (refusal is InvalidOperationException or ArgumentException)
        {
            // As before; now it is known which one.
        }

        return last;
    }

    private void AddRefused(Exception refusal, string name, MethodInfo? handler)
    {
        string[] inferred = [.. InferredBody().Matches(refusal.Message).Select(match => match.Groups[1].Value)];
        if (inferred.Length > 0)
        {
            _found.AddProblem(
                name, handler,
                $"{name}: the host binds {string.Join(" and ", inferred)} to the request body",
                inferred.Length == 1
                    ? "if it is a service, map the endpoint with app.MapWired(container)"
                    : "if they are services, map the endpoint with app.MapWired(container)",
                $"write [FromServices] before {(inferred.Length == 1 ? "it" : "them")}");
        }
        else
        {
            _found.AddProblem(
                name, handler, $"{name}: {refusal.Message.ReplaceLineEndings(" ").TrimEnd('.')}", "change it as the message of the host suggests");
        }
    }

    /// <summary>The host lists the parameters of the handler, each with where it would come from.</summary>
    [GeneratedRegex(@"^(\w+)\s*\| Body \(Inferred\)", RegexOptions.Multiline)]
    private static partial Regex InferredBody();
}
