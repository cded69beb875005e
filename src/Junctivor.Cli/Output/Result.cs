using Junctivor.Cli.Loading;
using Junctivor.Reports.Drawing;

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

    /// <summary>Writes a page: it is of no use on a terminal, and goes to a file that is called like the wiring unless one is
    /// named.</summary>
    /// <exception cref="CannotCheckException">The file cannot be written, or is there already and is no such page.</exception>
    public static void WritePage(string page, string name, FileInfo? output)
    {
        if (output is not null)
        {
            Write(page.TrimEnd(), output);
            return;
        }

        FileInfo file = new($"{string.Concat(name.Select(letter => char.IsLetterOrDigit(letter) ? letter : '-'))}.html");
        if (file.Exists && !File.ReadAllText(file.FullName).Contains(PageText.Sign, StringComparison.Ordinal))
        {
            throw new CannotCheckException($"{file.Name} is there already, and is no drawing: name another file with --output.");
        }

        Write(page.TrimEnd(), file);
        Terminal.Out.WriteLine($"{file.Name} is written: open it in a browser.");
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
