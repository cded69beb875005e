namespace Junctivor.Registering;

/// <summary>The text of an exception of other code, for a message of ours: even if reading its own message throws.</summary>
internal static class ExceptionText
{
    /// <summary>Messages contain the messages of inner exceptions. A recursion that failed may have thousands of those within each other:
    /// such a message would be too long to read, and would overflow the stack.</summary>
    private const int MostNested = 8;

    [ThreadStatic]
    private static int Nested;

    /// <summary>The class and the message.</summary>
    public static string Of(Exception exception) => $"{exception.GetType().Name}: {MessageOf(exception)}";

    public static string MessageOf(Exception exception)
    {
        if (Nested >= MostNested)
        {
            return "…";
        }

        Nested++;
        try
        {
            return exception.Message;
        }
#pragma warning disable CA1031 // What it says is not worth losing that it was thrown.
        catch (Exception failure)
#pragma warning restore CA1031
        {
            return $"(reading the message threw {failure.GetType().Name})";
        }
        finally
        {
            Nested--;
        }
    }

    /// <summary>The first line of the message, as a sentence.</summary>
    public static string FirstLineOf(Exception exception)
    {
        string line = MessageOf(exception).Split('\n')[0].Trim();
        return line.Length > 0 && line[line.Length - 1] == '.' ? line : line + ".";
    }
}
