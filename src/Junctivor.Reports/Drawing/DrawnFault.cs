namespace Junctivor.Reports.Drawing;

/// <summary>A fault of a drawing.</summary>
/// <param name="Number">What nodes and edges refer to it by.</param>
/// <param name="Code">The code.</param>
/// <param name="Severity"><c>fault</c>, <c>warning</c> or <c>note</c>.</param>
/// <param name="Summary">The sentence that says what is wrong.</param>
/// <param name="Text">The whole text.</param>
/// <param name="Fix">The first fix; null if there is none.</param>
internal sealed record DrawnFault(int Number, string Code, string Severity, string Summary, string Text, string? Fix);
