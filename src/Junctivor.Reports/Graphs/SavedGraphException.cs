namespace Junctivor.Reports.Graphs;

/// <summary>Thrown if a file is not a saved graph, or has a newer format. The message is one line that explains what to do.</summary>
public sealed class SavedGraphException : JunctivorException
{
    internal SavedGraphException(string message, Exception? cause = null)
        : base(message, cause)
    {
    }
}
