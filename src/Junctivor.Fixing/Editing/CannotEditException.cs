namespace Junctivor.Fixing.Editing;

/// <summary>An edit cannot be made mechanically. The message says why, as the end of a sentence that starts with "because".</summary>
internal sealed class CannotEditException(string reason) : Exception(reason);
