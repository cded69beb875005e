using System.Xml;
using System.Xml.Linq;
using Junctivor.Fixing.Editing;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;

namespace Junctivor.Cli.Loading;

/// <summary>Says for what else changed files are compiled that was not tried.</summary>
internal static class UnseenConfigurations
{
    /// <summary>A sentence for each kind; none if all was tried.</summary>
    public static IEnumerable<string> Of(CSharpCompilation before, CSharpCompilation after)
    {
        IReadOnlyList<SyntaxTree> changed = [.. before.SyntaxTrees.Except(after.SyntaxTrees)];
        string[] frameworks = [.. changed.SelectMany(tree => OtherFrameworksOf(tree)).Distinct().Order(StringComparer.Ordinal)];
        if (frameworks.Length > 0)
        {
            yield return $"Not compiled for {string.Join(" and ", frameworks)}: build the project for all of its frameworks.";
        }

        string[] symbols = [.. OtherConfigurations.Untried(before, after)];
        if (symbols.Length > 0)
        {
            yield return $"Not compiled with {string.Join(" and ", symbols)} changed: build the configurations in which they are.";
        }
    }

    /// <summary>The frameworks of the project of a file, without the one that was compiled for.</summary>
    private static IEnumerable<string> OtherFrameworksOf(SyntaxTree tree)
    {
        HashSet<string> defined = [.. tree.Options.PreprocessorSymbolNames];
        return ProjectOf(Path.GetDirectoryName(tree.FilePath)) is { } project
            ? FrameworksIn(project).Where(framework =>
                !defined.Contains(framework.ToUpperInvariant().Replace('.', '_').Replace('-', '_')))
            : [];
    }

    private static string? ProjectOf(string? folder)
    {
        while (folder is not null && Directory.Exists(folder))
        {
            if (Directory.EnumerateFiles(folder, "*.csproj").FirstOrDefault() is { } project)
            {
                return project;
            }

            folder = Path.GetDirectoryName(folder);
        }

        return null;
    }

    private static IEnumerable<string> FrameworksIn(string project)
    {
        try
        {
            return XDocument.Load(project).Descendants()
                .Where(element => element.Name.LocalName == "TargetFrameworks")
                .SelectMany(element => element.Value.Split(';', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries))
                .Where(framework => !framework.StartsWith('$'));
        }
        catch (Exception problem) when (problem is XmlException or IOException or UnauthorizedAccessException)
        {
            return [];
        }
    }
}
