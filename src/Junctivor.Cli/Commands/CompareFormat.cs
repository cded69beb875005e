namespace Junctivor.Cli.Commands;

/// <summary>How differences are written.</summary>
internal enum CompareFormat
{
    /// <summary>For people, on a terminal.</summary>
    Text,

    /// <summary>For other programs.</summary>
    Json,

    /// <summary>A page with both wirings in one drawing.</summary>
    Html,
}
