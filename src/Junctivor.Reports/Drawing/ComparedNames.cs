namespace Junctivor.Reports.Drawing;

/// <summary>What two wirings are called of which a page shows the differences.</summary>
/// <param name="Before">The earlier one.</param>
/// <param name="After">The later one.</param>
internal sealed record ComparedNames(string Before, string After);
