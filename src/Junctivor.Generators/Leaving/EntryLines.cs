namespace Junctivor.Generators.Leaving;

/// <summary>The lines of one entry, each split into words.</summary>
internal sealed class EntryLines
{
    private readonly List<IReadOnlyList<string>> _lines = [];

    public bool IsEmpty => _lines.Count == 0;

    /// <summary>The line that begins the entry.</summary>
    public IReadOnlyList<string> Head => _lines[0];

    public IEnumerable<IReadOnlyList<string>> Lines => _lines;

    public void Add(IReadOnlyList<string> words) => _lines.Add(words);

    public bool Has(string word) => One(word) is not null;

    /// <summary>The line that begins with a word; null if there is none.</summary>
    public IReadOnlyList<string>? One(string word) => _lines.Find(words => words[0] == word);

    public IEnumerable<IReadOnlyList<string>> All(string word) => _lines.Where(words => words[0] == word);
}
