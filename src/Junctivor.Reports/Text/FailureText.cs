using Junctivor.Registering;

namespace Junctivor.Reports.Text;

/// <summary>An exception on one line, for people.</summary>
internal static class FailureText
{
    /// <summary>Its type and message.</summary>
    public static string Of(Exception failure) => ExceptionText.Of(failure);

    /// <summary>What could not be loaded, and why; null if the exception is about something else.</summary>
    public static string? OfLoading(Exception failure) => LoadFailure.Is(failure) ? LoadFailure.TextOf(failure) : null;
}
