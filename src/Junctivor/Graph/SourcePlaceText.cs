namespace Junctivor.Graph;

/// <summary>How source places are shown: relative to the folder that all registrations share.</summary>
internal static class SourcePlaceText
{
    /// <summary>The longest folder that all known places stand in, with its last separator; empty if there is none.</summary>
    public static string SharedFolder(IEnumerable<SourcePlace> places)
    {
        string? shared = null;
        foreach (string file in places.Where(place => place.IsKnown).Select(place => Folder(place.File)).Distinct())
        {
            shared = shared is null ? file : CommonFolder(shared, file);
        }

        return shared ?? "";
    }

    public static string Show(SourcePlace place, string sharedFolder)
    {
        if (!place.IsKnown)
        {
            return "";
        }

        return $"{File(place, sharedFolder)}:{place.Line}";
    }

    /// <summary>The file alone, relative to the folder.</summary>
    public static string File(SourcePlace place, string sharedFolder) =>
        place.File.StartsWith(sharedFolder, StringComparison.Ordinal) ? place.File.Substring(sharedFolder.Length) : place.File;

    /// <summary>The place within a sentence: <c> at Storage.cs:14</c>; empty if nobody knows.</summary>
    public static string At(SourcePlace place, string sharedFolder) => place.IsKnown ? $" at {Show(place, sharedFolder)}" : "";

    private static string Folder(string file) => file.Substring(0, file.LastIndexOfAny(['/', '\\']) + 1);

    private static string CommonFolder(string one, string other)
    {
        int length = 0;
        while (length < one.Length && length < other.Length && one[length] == other[length])
        {
            length++;
        }

        return Folder(one.Substring(0, length));
    }
}
