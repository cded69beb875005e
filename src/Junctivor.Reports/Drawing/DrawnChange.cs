namespace Junctivor.Reports.Drawing;

/// <summary>One difference of a box between two wirings.</summary>
/// <param name="Kind"><c>added</c>, <c>removed</c>, <c>replaced</c>, <c>lifetime changed</c>, <c>dependencies changed</c> or
/// <c>order changed</c>.</param>
/// <param name="Before">What it was; null if there was nothing.</param>
/// <param name="After">What it is; null if there is nothing.</param>
internal sealed record DrawnChange(string Kind, string? Before, string? After);
