namespace Junctivor.Cli.Apart;

/// <summary>What a call in a process of its own comes to. One that ends without an answer has not done its work, whatever its exit
/// status.</summary>
/// <param name="Status">The exit status.</param>
/// <param name="Output">What is written to standard output.</param>
/// <param name="Errors">What is written to standard error.</param>
internal sealed record Answer(int Status, string Output, string Errors);
