using Spectre.Console;

namespace Junctivor.Cli.Output;

/// <summary>Shows on a terminal that something takes its time; on standard error, so that no result is touched.</summary>
internal static class Waiting
{
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(1);

    /// <summary>Does the work; what it throws, comes out.</summary>
    public static T While<T>(string what, Func<T> work)
    {
        if (Console.IsErrorRedirected)
        {
            return work();
        }

        Task<T> working = Task.Run(work);
        if (Task.WaitAny([working], Patience) < 0)
        {
            IAnsiConsole console = AnsiConsole.Create(new AnsiConsoleSettings { Out = new AnsiConsoleOutput(Console.Error) });
            console.Status().Start(Markup.Escape(what), _ => Task.WaitAny(working));
        }

        return working.GetAwaiter().GetResult();
    }
}
