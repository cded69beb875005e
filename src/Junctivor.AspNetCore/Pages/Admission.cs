using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Http;
using Microsoft.Extensions.Hosting;
using Microsoft.Extensions.Logging;

namespace Junctivor.Pages;

/// <summary>Refuses the wiring page outside the Development environment, unless an authorization policy guards it.</summary>
internal static partial class Admission
{
    private const string Reason = "The wiring page is open to all in the Development environment only.";

    /// <param name="endpoint">The endpoint, with all that was said of it.</param>
    /// <param name="pattern">Where the page is.</param>
    /// <param name="isLogged">Whether a refusal is also written to the log of the host.</param>
    public static void Restrict(EndpointBuilder endpoint, string pattern, bool isLogged)
    {
        IServiceProvider host = endpoint.ApplicationServices;
        if ((host.GetService(typeof(IWebHostEnvironment)) as IHostEnvironment)?.IsDevelopment() == true || IsGuarded(endpoint.Metadata))
        {
            return;
        }

        string cure = $"Elsewhere, require an authorization policy: app.MapWiringPage(\"{pattern}\", container).RequireAuthorization(...).";
        endpoint.RequestDelegate = context =>
        {
            context.Response.StatusCode = StatusCodes.Status403Forbidden;
            return context.Response.WriteAsync($"{Reason} {cure}");
        };
        if (isLogged && (host.GetService(typeof(ILoggerFactory)) as ILoggerFactory)?.CreateLogger("Junctivor") is { } log)
        {
            WriteRefused(log, pattern, cure);
        }
    }

    private static bool IsGuarded(IList<object> metadata) =>
        metadata.Any(each => each is IAuthorizeData or AuthorizationPolicy) && !metadata.Any(each => each is IAllowAnonymous);

    [LoggerMessage(EventId = 2, Level = LogLevel.Warning, Message = "Access to the wiring page at {Pattern} was denied: this is not the Development environment, and no authorization policy protects the page. {Cure}")]
    private static partial void WriteRefused(ILogger log, string pattern, string cure);
}
