using Junctivor.Cli.Loading;
using Junctivor.Reports.Text;

namespace Junctivor.Cli.Output;

/// <summary>Writes why a command failed.</summary>
internal static class Complaint
{
    /// <summary>Writes one line to standard error: the call or the assembly is at fault.</summary>
    /// <param name="failure">What was thrown.</param>
    /// <returns>The exit status.</returns>
    public static int Write(Exception failure)
    {
        string message = failure.GetBaseException() switch
        {
            CannotCheckException problem => problem.Message,
            IOException problem => $"the result could not be written: {problem.Message}",
            Exception problem when FailureText.OfLoading(problem) is { } reason => $"not all types of the assembly can be loaded: {reason}",
            Exception problem => $"internal error of the command: {FailureText.Of(problem)}",
        };
        try
        {
            Terminal.Errors.WriteLine($"junctivor: {message.ReplaceLineEndings(" ")}");
        }
#pragma warning disable CA1031 // Nothing reads standard error, whatever is wrong with it.
        catch (Exception)
#pragma warning restore CA1031
        {
        }

        return ExitStatus.CannotCheck;
    }
}
