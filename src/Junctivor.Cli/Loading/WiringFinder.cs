using System.Reflection;
using Junctivor.Reports.Wirings;

namespace Junctivor.Cli.Loading;

/// <summary>Finds the wirings of an assembly that have <see cref="CheckedWiringAttribute"/>, and runs only their code.</summary>
internal static class WiringFinder
{
    /// <exception cref="CannotCheckException">The file cannot be loaded, has no such wiring, or its wiring code throws.</exception>
    public static IReadOnlyList<FoundWiring> Find(FileInfo file, string? name)
    {
        Assembly assembly = AssemblyLoading.Load(file);
        try
        {
            CheckedWirings marked = CheckedWirings.In(assembly);
            IReadOnlyList<FoundWiring> found = [.. marked.Create(name).Select(each => new FoundWiring(each.Name, each.Wiring))];
            return found.Count > 0 ? found : throw new CannotCheckException(!marked.Names.Any()
                ? $"{file.Name} has no wiring to check: put [CheckedWiring] on a public static property or method that returns a Wiring."
                : $"{file.Name} has no wiring '{name}'; it has {string.Join(", ", marked.Names)}.");
        }
        catch (UnreadableWiringException problem)
        {
            throw new CannotCheckException($"{file.Name}: {problem.Message}");
        }
    }
}
