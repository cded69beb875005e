using System.Text.Json;

namespace Harbour.Web;

/// <summary>Reads what a request carries, and says what is wrong with it where it cannot be read.</summary>
public static class JsonBody
{
    /// <summary>Returns the value, or the answer to send instead.</summary>
    public static async Task<(T? Value, IResult? Problem)> ReadAsync<T>(HttpRequest request)
        where T : class
    {
        if (!request.HasJsonContentType())
        {
            return (null, Bad("Send JSON, with the header Content-Type: application/json."));
        }

        try
        {
            T? value = await request.ReadFromJsonAsync<T>(request.HttpContext.RequestAborted);
            return value is null ? (null, Bad("The body is empty.")) : (value, null);
        }
        catch (JsonException failure)
        {
            string field = failure.Path is null or "$" ? "the body" : failure.Path.TrimStart('$', '.');
            return (null, Bad($"{field} cannot be read (line {failure.LineNumber + 1}): check its JSON."));
        }
    }

    private static IResult Bad(string detail) => Results.Problem(detail, statusCode: StatusCodes.Status400BadRequest);
}
