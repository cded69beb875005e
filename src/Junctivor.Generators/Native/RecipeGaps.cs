using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Native;

/// <summary>
/// Finds what a natively compiled program needs and the generator did not write: it does not see what other generators write, and writes
/// nothing in an old language.
/// </summary>
internal static class RecipeGaps
{
    private const int MostNamed = 5;

    /// <summary>Why code was not written, to complete the sentence "For a natively compiled program …"; null if nothing is
    /// missing.</summary>
    public static string? Find(Compilation compilation, CancellationToken cancellationToken)
    {
        NativeNeeds needs = NativeNeeds.Of(compilation, cancellationToken);
        IReadOnlyList<string> subjects = RecipeText.Subjects(compilation, needs);
        if (subjects.Count > 0 && !RecipeText.CanBeCompiled(compilation))
        {
            return "no code is written: that takes C# 9 or later, so set LangVersion";
        }

        string written = compilation.SyntaxTrees
            .FirstOrDefault(tree => tree.FilePath.EndsWith(RecipeText.File, StringComparison.Ordinal))?
            .GetText(cancellationToken)
            .ToString() ?? "";
        IReadOnlyList<string> missing = [.. subjects.Where(subject => !written.Contains(subject))];
        string rest = missing.Count > MostNamed ? $" and {missing.Count - MostNamed} more" : "";
        return missing.Count == 0
            ? null
            : "there is no code for what another source generator adds: "
                + $"{string.Join(", ", missing.Take(MostNamed).Select(Shown))}{rest}";
    }

    private static string Shown(string subject) => subject
        .Replace("global::", "")
        .Replace("AddFunction<", "Func<")
        .Replace("AddElement<", "Lazy<");
}
