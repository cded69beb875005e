namespace Junctivor.Testing;

/// <summary>Thrown where a wiring or a container is not as a test expects it. The message says what was found.</summary>
public sealed class WiringTestException : JunctivorException
{
    internal WiringTestException(string message)
        : base(message)
    {
    }
}
