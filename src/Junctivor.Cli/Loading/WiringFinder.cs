using System.Reflection;
using System.Runtime.Loader;
using Junctivor.Cli.Output;
using Junctivor.Reports.Wirings;

namespace Junctivor.Cli.Loading;

/// <summary>Finds the wirings of an assembly that have <see cref="CheckedWiringAttribute"/>, and runs only their code.</summary>
internal static class WiringFinder
{
    /// <exception cref="CannotCheckException">The file cannot be loaded, has no such wiring, or the code of one throws.</exception>
    public static IReadOnlyList<FoundWiring> Find(FileInfo file, string? name)
    {
        FoundWirings found = FindReadable(file, name);
        return found.Problems.Count == 0 ? found.Wirings : throw new CannotCheckException(found.Problems[0]);
    }

    /// <summary>Those that can be read, and a line for each of the others.</summary>
    /// <exception cref="CannotCheckException">The file cannot be loaded, or has no such wiring.</exception>
    public static FoundWirings FindReadable(FileInfo file, string? name)
    {
        Assembly assembly = AssemblyLoading.Load(file);
        try
        {
            CheckedWirings marked = CheckedWirings.In(assembly);
            List<FoundWiring> found = [];
            List<string> problems = [];
            bool isAnyNamed = false;
            foreach ((string called, Wiring? wiring, string? problem) in marked.TryCreate(name))
            {
                isAnyNamed = true;
                if (wiring is null)
                {
                    problems.Add(problem!);
                }
                else
                {
                    found.Add(new FoundWiring(called, wiring, marked.EntryPointsOf(called, wiring, problems.Add)));
                }
            }

            return isAnyNamed
                ? new FoundWirings(
                    found,
                    [.. problems.Concat(name is null ? marked.Problems : []).Select(problem => $"{file.Name}: {MissingFor(assembly) ?? problem}")],
                    [.. UnfollowedWirings.In(assembly, marked.Members).Where(each => name is null || each.Name == name)])
                : throw new CannotCheckException(!marked.Names.Any()
                    ? $"{file.Name} has no wiring to check: put [CheckedWiring] on a public static property or method that returns a Wiring."
                    : $"{file.Name} has no wiring '{name}'; it has {string.Join(", ", marked.Names)}.");
        }
        catch (UnreadableWiringException problem)
        {
            throw new CannotCheckException($"{file.Name}: {MissingFor(assembly) ?? problem.Message}");
        }
    }

    private static string? MissingFor(Assembly assembly) =>
        (AssemblyLoadContext.GetLoadContext(assembly) as CheckedLoadContext)?.MissingPackage;

    /// <summary>Says what could not be read, on standard error.</summary>
    public static void Complain(IReadOnlyList<string> problems)
    {
        foreach (string problem in problems)
        {
            Terminal.Errors.WriteLine($"junctivor: {problem.ReplaceLineEndings(" ")}");
        }
    }
}
