namespace Junctivor.Registering;

/// <summary>Why an entry cannot be read, to be told with the faults.</summary>
/// <param name="Text">A sentence.</param>
/// <param name="IsOfPlugin">Whether it is a file in a folder of plug-ins that was left out; otherwise something that the wiring itself
/// registers.</param>
internal sealed record ReadFailure(string Text, bool IsOfPlugin);
