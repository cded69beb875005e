using System.Reflection;
using Junctivor.Registering;

namespace Junctivor.Cli.Loading;

/// <summary>Finds in an assembly what is marked <see cref="CheckedWiringAttribute"/>, and runs only that.</summary>
internal static class WiringFinder
{
    /// <exception cref="CannotCheckException">The file cannot be loaded, has no such wiring, or its wiring code throws.</exception>
    public static IReadOnlyList<FoundWiring> Find(FileInfo file, string? name)
    {
        Assembly assembly = AssemblyLoading.Load(file);
        try
        {
            IReadOnlyList<MarkedWiring> marked = MarkedWiring.In(assembly);
            IReadOnlyList<FoundWiring> found = [.. marked.Where(each => name is null || each.Name == name).Select(each => new FoundWiring(each.Name, each.Read()))];
            return found.Count > 0 ? found : throw new CannotCheckException(marked.Count == 0
                ? $"{file.Name} has no wiring to check: mark a public static property or method that gives a Wiring with [CheckedWiring]."
                : $"{file.Name} has no wiring '{name}'; it has {string.Join(", ", marked.Select(each => each.Name))}.");
        }
        catch (WiringSourceException problem)
        {
            throw new CannotCheckException($"{file.Name}: {problem.Message}");
        }
    }
}
