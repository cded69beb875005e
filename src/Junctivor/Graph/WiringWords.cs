namespace Junctivor.Graph;

/// <summary>The words of the text that an assembly leaves behind for each wiring; docs/compile-time.md describes them.</summary>
internal static class WiringWords
{
    public const string Version = "version 3";

    /// <summary>That the wiring is complete, and no module: it has <c>[CheckedWiring]</c>.</summary>
    public const string Checked = "checked";

    /// <summary>What stands in the place of a member for a wiring that is built.</summary>
    public const string Build = "build";

    /// <summary>That a property keeps the wiring, and does not make a new one at each use.</summary>
    public const string Kept = "kept";

    /// <summary>That a method adds the entries to a wiring that it gets.</summary>
    public const string Adds = "adds";

    /// <summary>That it returns that wiring.</summary>
    public const string Returned = "returned";

    public const string Unknown = "unknown";
    public const string RunTime = "run-time";
    public const string Size = "size";
    public const string Again = "again";
    public const string Level = "level";
    public const string Entry = "entry";
    public const string State = "state";
    public const string Moments = "moments";
    public const string At = "at";
    public const string AtGiven = "at-given";
    public const string Same = "same";
    public const string For = "for";
    public const string Mark = "mark";
    public const string MarkType = "mark-type";
    public const string MarkGiven = "mark-given";
    public const string TargetMarkGiven = "target-mark-given";
    public const string Given = "given";
    public const string TargetMark = "target-mark";
    public const string TargetMarkType = "target-mark-type";
    public const string Derived = "derived";
    public const string Decorator = "decorator";
    public const string OnlyFor = "only-for";
    public const string Options = "options";
    public const string Accept = "accept";
    public const string Warming = "warming";
    public const string Passing = "passing";
    public const string Factory = "factory";
    public const string Takes = "takes";
    public const string TakesMark = "takes-mark";
    public const string TakesMarkType = "takes-mark-type";
    public const string TakesMarked = "takes-marked";
    public const string TakesNullable = "takes-nullable";
    public const string Optional = "optional";
    public const string Required = "required";
    public const string When = "when";
    public const string Enabled = "enabled";
    public const string Disabled = "disabled";
    public const string Not = "not";
    public const string None = "-";

    /// <summary>A text in quotation marks, on one line.</summary>
    public static string Quote(string text) =>
        $"\"{text.Replace("\\", "\\\\").Replace("\"", "\\\"").Replace("\n", "\\n").Replace("\r", "\\r")}\"";

    /// <summary>The words of a line; those in quotation marks without them.</summary>
    public static IReadOnlyList<string> Split(string line)
    {
        List<string> words = [];
        int place = 0;
        while (place < line.Length)
        {
            if (line[place] == ' ')
            {
                place++;
            }
            else if (line[place] == '"')
            {
                words.Add(Quoted(line, ref place));
            }
            else
            {
                int end = line.IndexOf(' ', place);
                end = end < 0 ? line.Length : end;
                words.Add(line[place..end]);
                place = end;
            }
        }

        return words;
    }

    private static string Quoted(string line, ref int place)
    {
        System.Text.StringBuilder text = new();
        for (place++; place < line.Length && line[place] != '"'; place++)
        {
            if (line[place] != '\\')
            {
                text.Append(line[place]);
                continue;
            }

            place++;
            text.Append(line[place] switch { 'n' => '\n', 'r' => '\r', char other => other });
        }

        place++;
        return text.ToString();
    }
}
