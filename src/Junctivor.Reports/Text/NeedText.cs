using Junctivor.Reports.Graphs;

namespace Junctivor.Reports.Text;

/// <summary>Writes what a parameter requires, and how it is met where no registration meets it.</summary>
internal static class NeedText
{
    public static string Of(SavedGraph graph, SavedNeed dependency)
    {
        string mark = dependency.Mark is null ? "" : $" marked {graph.NameOf(dependency.Mark)}";
        return $"{dependency.Parameter}: {graph.NameOf(dependency.Service)}{mark}";
    }

    public static (string Text, Tone Tone) Met(SavedNeed dependency) => dependency.Gets switch
    {
        "missing" => ("not registered", Tone.Bad),
        "ambiguous" => ("several registrations", Tone.Bad),
        "unfit" => ("its arguments match no parameter", Tone.Bad),
        "nothing" => ("not registered, and optional", Tone.Faint),
        "list" => ("an empty list", Tone.Faint),
        "dictionary" => ("an empty dictionary", Tone.Faint),
        "constant" => ("a constant that is passed", Tone.Faint),
        "argument" => ("an argument of the call", Tone.Faint),
        "open" => ("", Tone.Faint),
        var ambient => ($"the {ambient} that it is created in", Tone.Faint),
    };
}
