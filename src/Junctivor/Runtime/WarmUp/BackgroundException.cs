using Junctivor.Registering;

namespace Junctivor;

/// <summary>Says that background work failed; the inner exception is that of the user's code.</summary>
public sealed class BackgroundException : JunctivorException
{
    internal BackgroundException(string service, Exception failure)
        : base($"The background work of {service} failed: {ExceptionText.Of(failure)}", failure) => Service = service;

    /// <summary>The service whose work failed.</summary>
    public string Service { get; }
}
