using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Following;

/// <summary>What a reading of the source depends on, beside what is declared: the files whose code was read, and the names that were
/// looked for in all files.</summary>
internal sealed class SourceDependencies
{
    private readonly HashSet<SyntaxTree> _files = [];
    private readonly HashSet<string> _names = [];

    public IReadOnlyCollection<SyntaxTree> Files => _files;

    public IReadOnlyCollection<string> Names => _names;

    public void Add(SyntaxTree file) => _files.Add(file);

    public void Add(string name) => _names.Add(name);

    public void Add(SourceDependencies others)
    {
        _files.UnionWith(others._files);
        _names.UnionWith(others._names);
    }
}
