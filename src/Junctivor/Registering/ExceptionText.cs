namespace Junctivor.Registering;

/// <summary>What somebody else's exception says, for a message of ours: also where its own message throws.</summary>
internal static class ExceptionText
{
    /// <summary>The class and the message.</summary>
    public static string Of(Exception exception) => $"{exception.GetType().Name}: {MessageOf(exception)}";

    public static string MessageOf(Exception exception)
    {
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
    }

    /// <summary>The first line of the message, as a sentence.</summary>
    public static string FirstLineOf(Exception exception)
    {
        string line = MessageOf(exception).Split('\n')[0].Trim();
        return line.Length > 0 && line[line.Length - 1] == '.' ? line : line + ".";
    }
}
