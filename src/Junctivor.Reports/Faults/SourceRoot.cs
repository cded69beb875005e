namespace Junctivor.Reports.Faults;

/// <summary>Shows source files relative to the repository that they stand in.</summary>
/// <param name="folder">The root of the repository; null to look for it above each file.</param>
internal sealed class SourceRoot(string? folder)
{
    /// <summary>What a deterministic build writes in place of the repository's folder.</summary>
    private const string Mapped = "/_/";

    private readonly Dictionary<string, string?> _roots = new(StringComparer.Ordinal);

    /// <summary>The path with slashes, relative where the repository is found.</summary>
    public string Relative(string file)
    {
        if (file.StartsWith(Mapped, StringComparison.Ordinal))
        {
            return file[Mapped.Length..];
        }

        string? root = folder is null ? Find(Path.GetDirectoryName(file)) : Path.GetFullPath(folder);
        string relative = root is null ? file : Path.GetRelativePath(root, file);
        return (relative.StartsWith("..", StringComparison.Ordinal) ? file : relative).Replace('\\', '/');
    }

    /// <summary>The nearest folder above that is a working copy.</summary>
    private string? Find(string? directory)
    {
        if (string.IsNullOrEmpty(directory))
        {
            return null;
        }

        if (!_roots.TryGetValue(directory, out string? root))
        {
            string mark = Path.Combine(directory, ".git");
            _roots.Add(directory, root = Directory.Exists(mark) || File.Exists(mark) ? directory : Find(Path.GetDirectoryName(directory)));
        }

        return root;
    }
}
