using Junctivor.Cli.Loading;
using Junctivor.Fixing.Sources;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.Text;

namespace Junctivor.Cli.Output;

/// <summary>
/// Writes changed sources: all of them, or none. Each is written to a file beside it first, which then takes its place in one step, so that
/// an interrupt leaves the old file or the new one.
/// </summary>
internal static class SourceFiles
{
    /// <exception cref="CannotCheckException">One has changed meanwhile, or cannot be written; then the others are as they
    /// were.</exception>
    public static void Write(IReadOnlyList<(SyntaxTree Before, SyntaxTree After)> changed)
    {
        List<WrittenFile> files = [];
        try
        {
            foreach ((SyntaxTree before, SyntaxTree after) in changed)
            {
                files.Add(Prepare(before, after));
            }

            foreach (WrittenFile file in files)
            {
                file.Replace();
            }
        }
        catch (Exception failure) when (failure is IOException or UnauthorizedAccessException)
        {
            files.ForEach(file => file.Restore());
            throw new CannotCheckException($"{failure.Message} Nothing was written.");
        }
        finally
        {
            files.ForEach(file => file.Dispose());
        }
    }

    /// <summary>Which of the files are symbolic links, as lines of text: the files behind them are written.</summary>
    public static IEnumerable<string> LinksAmong(IEnumerable<string> files) =>
        from file in files
        where new FileInfo(file).LinkTarget is not null
        select $"{Path.GetFileName(file)} is a symbolic link: {TargetOf(file).FullName} is the file that is written.";

    private static WrittenFile Prepare(SyntaxTree before, SyntaxTree after)
    {
        FileInfo file = TargetOf(before.FilePath);
        if (file.IsReadOnly)
        {
            throw new CannotCheckException($"{before.FilePath} is read-only: nothing was written; make it writable, and run the command again.");
        }

        byte[] content = File.ReadAllBytes(file.FullName);
        if (!SourceText.From(content, content.Length, before.GetText().Encoding).ContentEquals(before.GetText()))
        {
            throw new CannotCheckException($"{before.FilePath} has changed meanwhile: nothing was written; run the command again.");
        }

        return SourceFile.Write(before.GetText()) is { } former && content.AsSpan().SequenceEqual(former)
            && SourceFile.Write(after.GetText()) is { } written
                ? new WrittenFile(file, content, written)
                : throw new CannotCheckException(
                    $"{before.FilePath} cannot be written back as it is in its encoding: nothing was written; save it as UTF-8.");
    }

    /// <summary>The file itself, where a path is a symbolic link: the link stays.</summary>
    private static FileInfo TargetOf(string path) => (FileInfo?)File.ResolveLinkTarget(path, returnFinalTarget: true) ?? new FileInfo(path);
}
