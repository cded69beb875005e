using Junctivor.Cli.Loading;

namespace Junctivor.Cli.Output;

/// <summary>Writes what other programs read: to a file, or to standard output.</summary>
internal static class Result
{
    /// <exception cref="CannotCheckException">The file cannot be written.</exception>
    public static void Write(string text, FileInfo? output)
    {
        if (output is null)
        {
            Terminal.Out.WriteLine(text);
            return;
        }

        Write(output, writer => writer.Write(text + "\n"));
    }

    /// <summary>Writes text for people to a file, or to standard output.</summary>
    /// <exception cref="CannotCheckException">The file cannot be written.</exception>
    public static void Show(FileInfo? output, Action<Screen> show)
    {
        if (output is null)
        {
            show(new Screen(Terminal.Out));
        }
        else
        {
            Write(output, writer => show(new Screen(writer)));
        }
    }

    private static void Write(FileInfo output, Action<TextWriter> write)
    {
        try
        {
            using StringWriter text = new() { NewLine = "\n" };
            write(text);
            File.WriteAllText(output.FullName, text.ToString());
        }
        catch (Exception failure) when (failure is IOException or UnauthorizedAccessException)
        {
            throw new CannotCheckException($"{output} cannot be written: {failure.Message}");
        }
    }
}
