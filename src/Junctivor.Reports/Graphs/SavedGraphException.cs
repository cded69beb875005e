namespace Junctivor.Reports.Graphs;

/// <summary>Thrown where a file is no saved graph, or one of a newer form; the message is one line that says what to do.</summary>
public sealed class SavedGraphException : JunctivorException
{
    internal SavedGraphException(string message, Exception? cause = null)
        : base(message, cause)
    {
    }
}
