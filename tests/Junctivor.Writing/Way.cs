namespace Junctivor.Writing;

/// <summary>A way in which registrations get into a wiring.</summary>
/// <param name="Name">What reports call it.</param>
/// <param name="Where">Where it can be written.</param>
/// <param name="Write">Writes the expression that gives the wiring, and the code around it.</param>
internal sealed record Way(string Name, Place Where, Func<ProgramWriter, IReadOnlyList<string>, string> Write)
{
    /// <summary>All of them.</summary>
    public static IReadOnlyList<Way> All { get; } =
        [.. ExpressionWays.All, .. MemberWays.All, .. StatementWays.All, .. ChangingWays.All, .. ModuleWays.All, .. LibraryWays.All];

    public bool Fits(ProgramWriter writer) => Where switch
    {
        Place.Block => writer.IsInBlock && !writer.IsInLibrary,
        Place.Library => writer.HasLibrary && !writer.IsInLibrary,
        Place.Program => !writer.IsInLibrary,
        _ => true,
    };
}
