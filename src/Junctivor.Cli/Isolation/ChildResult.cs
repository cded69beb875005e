using Junctivor.Cli.Output;

namespace Junctivor.Cli.Isolation;

/// <summary>The result of a call in a child process. A child that exits without a result has failed, whatever its exit
/// code.</summary>
/// <param name="Status">The exit code.</param>
/// <param name="Output">The text for standard output.</param>
/// <param name="Errors">The text for standard error.</param>
internal sealed record ChildResult(int Status, string Output, string Errors)
{
    /// <summary>Writes both texts to this process's own output.</summary>
    /// <returns>The exit code.</returns>
    public int Show()
    {
        Terminal.Out.Write(Output);
        Terminal.Errors.Write(Errors);
        return Status;
    }
}
