using System.Text;

namespace Harbour.Demo;

/// <summary>One request of the scripted day.</summary>
internal sealed record ScriptedRequest(string Caller, HttpMethod Method, string Path, string? Json = null)
{
    public HttpRequestMessage ToMessage()
    {
        HttpRequestMessage message = new(Method, Path);
        message.Headers.Add("Caller", Caller);
        if (Json is not null)
        {
            message.Content = new StringContent(Json, Encoding.UTF8, "application/json");
        }

        return message;
    }
}
