namespace Junctivor.Testing;

/// <summary>Thrown if a wiring or a container is not as a test expects it. The message contains the findings.</summary>
public sealed class WiringTestException : JunctivorException
{
    internal WiringTestException(string message)
        : base(message)
    {
    }
}
