namespace Junctivor.Graph;

/// <summary>
/// Finds names within two edits of one, without looking at all of them: two edits leave at least one third of a name whole,
/// so names are kept by their thirds.
/// </summary>
internal sealed class NameIndex
{
    private const int MostEdits = 2;
    private const int Parts = MostEdits + 1;
    private const int ShortestName = 4;

    /// <summary>A third that so many names share tells nothing.</summary>
    private const int MostSharing = 250;

    private readonly Dictionary<(int Length, int Part, string Text), List<string>> _byPart = [];
    private readonly HashSet<string> _known = new(StringComparer.Ordinal);

    public void Enter(string name)
    {
        if (name.Length < ShortestName || !_known.Add(name))
        {
            return;
        }

        for (int part = 0; part < Parts; part++)
        {
            (int start, int length) = Cut(name.Length, part);
            (int, int, string) key = (name.Length, part, name.Substring(start, length));
            if (!_byPart.TryGetValue(key, out List<string>? names))
            {
                _byPart.Add(key, names = []);
            }

            names.Add(name);
        }
    }

    /// <summary>The names that are one or two edits away, the nearest first; names so short that nearly all are near never are.</summary>
    public IEnumerable<string> NearTo(string name) => name.Length < ShortestName
        ? []
        : SharingAPart(name)
            .Distinct()
            .Select(known => (Name: known, Distance: EditDistance.Between(known, name, MostEdits)))
            .Where(near => near.Distance is > 0 and <= MostEdits)
            .OrderBy(near => near.Distance)
            .Select(near => near.Name);

    private IEnumerable<string> SharingAPart(string name)
    {
        for (int length = Math.Max(name.Length - MostEdits, ShortestName); length <= name.Length + MostEdits; length++)
        {
            for (int part = 0; part < Parts; part++)
            {
                (int start, int size) = Cut(length, part);
                for (int at = Math.Max(start - MostEdits, 0); at <= start + MostEdits && at + size <= name.Length; at++)
                {
                    if (_byPart.TryGetValue((length, part, name.Substring(at, size)), out List<string>? names)
                        && names.Count <= MostSharing)
                    {
                        foreach (string known in names)
                        {
                            yield return known;
                        }
                    }
                }
            }
        }
    }

    private static (int Start, int Length) Cut(int length, int part)
    {
        int start = length * part / Parts;
        return (start, (length * (part + 1) / Parts) - start);
    }
}
