using Serilog;

namespace Harbour.Web;

/// <summary>Answers everything that goes wrong with problem details, and shows nobody a stack trace.</summary>
public static class ProblemAnswers
{
    public static IApplicationBuilder UseProblemAnswers(this IApplicationBuilder app, ILogger log)
    {
        app.Use(async (context, next) =>
        {
            try
            {
                await next(context);
            }
            catch (OperationCanceledException) when (context.RequestAborted.IsCancellationRequested)
            {
                log.Information("{Path}: the client went away", context.Request.Path);
            }
#pragma warning disable CA1031 // Whatever a handler throws is logged here, and the client is told no more than it should know.
            catch (Exception failure) when (!context.Response.HasStarted)
#pragma warning restore CA1031
            {
                log.Error(failure, "{Path} failed", context.Request.Path);
                await Results.Problem("The office has noted it. Try again later.", statusCode: 500).ExecuteAsync(context);
            }
        });
        return app.UseStatusCodePages(status => Results
            .Problem(statusCode: status.HttpContext.Response.StatusCode)
            .ExecuteAsync(status.HttpContext));
    }
}
