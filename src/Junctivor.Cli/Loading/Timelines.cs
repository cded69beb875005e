using Junctivor.Cli.Output;
using Junctivor.Reports.Graphs;
using Junctivor.Reports.Recording;

namespace Junctivor.Cli.Loading;

/// <summary>Reads recordings of scopes.</summary>
internal static class Timelines
{
    /// <summary>The timeline in a file; null if the file is something else, or is not there.</summary>
    /// <exception cref="CannotCheckException">It is damaged, or of a newer form.</exception>
    public static Timeline? TryRead(FileInfo file)
    {
        try
        {
            return file.Exists ? Waiting.While($"Reading {file.Name} …", () => Timeline.TryRead(File.ReadAllText(file.FullName))) : null;
        }
        catch (SavedGraphException problem)
        {
            throw new CannotCheckException($"{file.Name} {problem.Message}");
        }
        catch (Exception failure) when (failure is IOException or UnauthorizedAccessException)
        {
            return null;
        }
    }
}
