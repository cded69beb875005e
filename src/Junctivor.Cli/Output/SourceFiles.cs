using Junctivor.Cli.Loading;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.Text;

namespace Junctivor.Cli.Output;

/// <summary>Writes changed sources: all of them, or none.</summary>
internal static class SourceFiles
{
    /// <exception cref="CannotCheckException">One has changed meanwhile, or cannot be written; then the others are as they
    /// were.</exception>
    public static void Write(IReadOnlyList<(SyntaxTree Before, SyntaxTree After)> changed)
    {
        Dictionary<string, byte[]> former = [];
        try
        {
            foreach ((SyntaxTree before, SyntaxTree _) in changed)
            {
                byte[] content = File.ReadAllBytes(before.FilePath);
                if (!SourceText.From(content, content.Length).ContentEquals(before.GetText()))
                {
                    throw new CannotCheckException($"{before.FilePath} has changed meanwhile: nothing was written; run the command again.");
                }

                former.Add(before.FilePath, content);
            }

            foreach ((SyntaxTree before, SyntaxTree after) in changed)
            {
                using StreamWriter writer =
                    new(before.FilePath, append: false, before.GetText().Encoding ?? new System.Text.UTF8Encoding(false));
                after.GetText().Write(writer);
            }
        }
        catch (Exception failure) when (failure is IOException or UnauthorizedAccessException)
        {
            foreach ((string path, byte[] content) in former)
            {
                Restore(path, content);
            }

            throw new CannotCheckException($"{failure.Message} Nothing was written.");
        }
    }

    private static void Restore(string path, byte[] content)
    {
        try
        {
            File.WriteAllBytes(path, content);
        }
        catch (Exception failure) when (failure is IOException or UnauthorizedAccessException)
        {
            // This is the file that could not be written: it is as it was.
        }
    }
}
