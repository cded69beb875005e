namespace Junctivor.Cli.Commands;

/// <summary>How and where to write what a check found.</summary>
/// <param name="Format">The form.</param>
/// <param name="File">The file to write; null for standard output.</param>
/// <param name="SourceRoot">The folder that places are relative to, for SARIF; null for the working copy around each file.</param>
internal sealed record CheckOutput(CheckFormat Format, FileInfo? File, DirectoryInfo? SourceRoot);
