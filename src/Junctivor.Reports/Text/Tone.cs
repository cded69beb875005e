namespace Junctivor.Reports.Text;

/// <summary>How a piece of text is meant; what shows it decides on the color.</summary>
internal enum Tone
{
    Plain,
    Strong,
    Faint,
    Good,
    Note,
    Warning,
    Bad,
}
