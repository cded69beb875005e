using System.Runtime.ExceptionServices;

namespace Junctivor.Runtime;

/// <summary>
/// Goes on with a construction on a thread of its own where the stack of the first one is nearly full: a recursion that comes to an end
/// must not fail because it is deep. The first thread waits, so that all of it stays one flow of control.
/// </summary>
internal static class StackExtension
{
    /// <summary>In bytes; enough for thousands of constructions, one inside the other.</summary>
    private const int Size = 16 << 20;

    /// <param name="goOn">What is left to do.</param>
    /// <returns>What that gives.</returns>
    public static object Run(Func<object> goOn)
    {
        int flow = ControlFlow.Id;
        object? created = null;
        ExceptionDispatchInfo? failure = null;
        Thread thread = new(
            () =>
            {
                ControlFlow.GoOn(flow);
                try
                {
                    created = goOn();
                }
#pragma warning disable CA1031 // It is thrown again on the thread that waits.
                catch (Exception thrown)
#pragma warning restore CA1031
                {
                    failure = ExceptionDispatchInfo.Capture(thrown);
                }
            },
            Size)
        {
            IsBackground = true,
            Name = "Junctivor: further stack",
        };
        thread.Start();
        thread.Join();
        failure?.Throw();
        return created!;
    }
}
