namespace Junctivor.Reports.Text;

/// <summary>Some text of one tone.</summary>
internal readonly record struct Piece(string Text, Tone Tone = Tone.Plain)
{
    public static implicit operator Piece(string text) => new(text);
}
