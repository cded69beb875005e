namespace Junctivor.Fixing;

/// <summary>Nothing can be fixed. The message says why, and what to do.</summary>
internal sealed class CannotFixException(string message) : Exception(message);
