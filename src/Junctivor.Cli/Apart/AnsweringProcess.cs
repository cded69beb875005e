using System.Globalization;
using System.IO.Pipes;
using System.Text.Json;
using Junctivor.Cli.Output;

namespace Junctivor.Cli.Apart;

/// <summary>
/// This process, where another one of the same command started it: it runs code of an assembly, which may do anything, and gives its answer
/// through a pipe. What that code writes itself goes elsewhere.
/// </summary>
internal static class AnsweringProcess
{
    /// <summary>The handle of the pipe.</summary>
    public const string Pipe = "JUNCTIVOR_PIPE";

    /// <summary>How the terminal of the first process shows colours; not set where it shows none.</summary>
    public const string Colors = "JUNCTIVOR_COLORS";

    /// <summary>Does the call, if another process waits for the answer, and ends.</summary>
    /// <param name="call">The call; it gives its exit status.</param>
    /// <returns>False if no other process waits.</returns>
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
            JsonSerializer.Serialize(stream, new Answer(status, output.ToString(), errors.ToString()));
            stream.WriteByte((byte)'\n');
        }

        // Threads that the code has left behind are no reason to stay.
        Environment.Exit(status);
        return true;
    }
}
