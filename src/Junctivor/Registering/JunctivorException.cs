namespace Junctivor;

/// <summary>The base class of the exceptions that this library and its adapters throw, but for those about arguments and misuse
/// (<see cref="ArgumentException"/>, <see cref="InvalidOperationException"/>, <see cref="ObjectDisposedException"/>).</summary>
public abstract class JunctivorException : Exception
{
    /// <summary>For exceptions of adapters.</summary>
    /// <param name="message">What is wrong, and what to do; null if <see cref="Exception.Message"/> is overridden.</param>
    /// <param name="innerException">What caused it; null for nothing.</param>
    protected JunctivorException(string? message, Exception? innerException = null)
        : base(message, innerException)
    {
    }
}
