using System.Runtime.CompilerServices;

namespace Junctivor.Runtime;

/// <summary>Tells flows of control apart: each thread is one, together with those that it has gone on with on a further stack.</summary>
internal static class ControlFlow
{
    [ThreadStatic]
    private static int Known;

    /// <summary>The number of this one; never 0.</summary>
    public static int Id
    {
        [MethodImpl(MethodImplOptions.AggressiveInlining)]
        get => Known != 0 ? Known : Learn();
    }

    /// <summary>This thread goes on with another one's work, which waits for it.</summary>
    public static void GoOn(int id) => Known = id;

    [MethodImpl(MethodImplOptions.NoInlining)]
    private static int Learn() => Known = Environment.CurrentManagedThreadId;
}
