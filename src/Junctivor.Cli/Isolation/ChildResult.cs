namespace Junctivor.Cli.Isolation;

/// <summary>The result of a call in a child process. A child that exits without a result has failed, whatever its exit
/// code.</summary>
/// <param name="Status">The exit code.</param>
/// <param name="Output">The text for standard output.</param>
/// <param name="Errors">The text for standard error.</param>
internal sealed record ChildResult(int Status, string Output, string Errors);
