namespace Junctivor.Registering;

/// <summary>An assembly, or a member of it, gives no wiring; the message is a sentence that says why.</summary>
internal sealed class WiringSourceException(string message) : Exception(message);
