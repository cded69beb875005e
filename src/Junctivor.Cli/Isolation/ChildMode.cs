using System.Globalization;
using System.IO.Pipes;
using System.Text.Json;
using Junctivor.Cli.Output;

namespace Junctivor.Cli.Isolation;

/// <summary>
/// This process as the child of another one of the same command: it runs code of an assembly, which may do anything, and returns its result
/// through a pipe. The output of that code goes elsewhere.
/// </summary>
internal static class ChildMode
{
    /// <summary>The handle of the pipe.</summary>
    public const string Pipe = "JUNCTIVOR_PIPE";

    /// <summary>How the terminal of the first process shows colors; not set where it shows none.</summary>
    public const string Colors = "JUNCTIVOR_COLORS";

    /// <summary>Runs a call, if a parent process waits for its result.</summary>
    /// <param name="call">The call; it returns its exit code.</param>
    /// <returns>False if there is no parent process.</returns>
    public static bool TryRun(Func<int> call)
    {
        string? pipe = Environment.GetEnvironmentVariable(Pipe);
        if (pipe is null)
        {
            return false;
        }

        // What the code starts in its turn has nothing to do with this.
        Environment.SetEnvironmentVariable(Pipe, null);
        using StringWriter output = new(CultureInfo.InvariantCulture) { NewLine = "\n" };
        using StringWriter errors = new(CultureInfo.InvariantCulture) { NewLine = "\n" };
        Terminal.WriteTo(output, errors, Environment.GetEnvironmentVariable(Colors));
        int status = call();
        using (AnonymousPipeClientStream stream = new(PipeDirection.Out, pipe))
        {
            JsonSerializer.Serialize(stream, new ChildResult(status, output.ToString(), errors.ToString()));
            stream.WriteByte((byte)'\n');
        }

        // Threads that the code has left behind are no reason to stay.
        Environment.Exit(status);
        return true;
    }
}
