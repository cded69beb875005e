namespace Junctivor.Cli.Commands;

/// <summary>What a drawing is written as.</summary>
internal enum DrawFormat
{
    /// <summary>A page for browsers.</summary>
    Html,

    /// <summary>A picture, laid out by Graphviz.</summary>
    Svg,

    /// <summary>The language of Graphviz.</summary>
    Dot,

    /// <summary>A Mermaid flowchart.</summary>
    Mermaid,

    /// <summary>For other programs.</summary>
    Json,
}
