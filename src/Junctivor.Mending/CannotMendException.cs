namespace Junctivor.Mending;

/// <summary>Nothing can be mended. The message says why, and what to do.</summary>
internal sealed class CannotMendException(string message) : Exception(message);
