namespace Junctivor.Reports.Wirings;

/// <summary>Thrown where an assembly or its wiring code cannot be used; the message says why.</summary>
internal sealed class UnreadableWiringException(string message) : Exception(message);
