namespace Junctivor.Reports.Text;

/// <summary>One line of a tree: how deep it stands, and which of the depths above it go on below it.</summary>
internal sealed record Twig(int Depth, bool IsLast, Twig? Parent)
{
    private const int DeepestIndent = 24;

    /// <summary>The lines to the left of it.</summary>
    public string Branch
    {
        get
        {
            if (Depth == 0)
            {
                return "";
            }

            List<string> parts = [IsLast ? "└─ " : "├─ "];
            Twig? above = Parent;
            for (int left = DeepestIndent; above is { Depth: > 0 } && left > 0; left--, above = above.Parent)
            {
                parts.Add(above.IsLast ? "   " : "│  ");
            }

            parts.Reverse();
            return string.Concat(parts);
        }
    }
}
