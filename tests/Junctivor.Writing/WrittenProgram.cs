namespace Junctivor.Writing;

/// <summary>A program that was written by chance.</summary>
/// <param name="Number">Tells it from others of the same compilation.</param>
/// <param name="Text">Its file.</param>
/// <param name="Shared">Its classes, and its modules in another project if it has some.</param>
/// <param name="HasLibrary">Whether <paramref name="Shared"/> is a project of its own.</param>
/// <param name="MaybeSwitch">The switch that decides on conditions that the compiler takes for different ones.</param>
/// <param name="Flags">The other switches that decide on its wiring.</param>
/// <param name="Ways">The ways in which its wiring comes about.</param>
public sealed record WrittenProgram(
    int Number,
    string Text,
    string Shared,
    bool HasLibrary,
    string MaybeSwitch,
    IReadOnlyList<string> Flags,
    IReadOnlyList<string> Ways)
{
    /// <summary>Whether the switch is read that decides on single conditions.</summary>
    public bool IsAnyFlag => Text.Contains("Flags.Maybe", StringComparison.Ordinal)
        || Shared.Contains("Flags.Maybe", StringComparison.Ordinal);

    /// <summary>Whether anything is decided that the compiler does not know.</summary>
    public bool IsDecidedLater => Flags.Count > 0 || IsAnyFlag || Text.Contains("(bool on)", StringComparison.Ordinal);

    /// <summary>Whether one switch decides on several conditions: to the compiler each may come out otherwise, so it claims less.</summary>
    public bool AreDecidedTogether => (Text + Shared).Split("Flags.Maybe").Length > 2
        || (IsAnyFlag && (Text + Shared).Contains("Stage", StringComparison.Ordinal));

    public string File => $"/P{Number}.cs";

    public string SharedFile => $"/L{Number}.cs";

    public override string ToString() => $"{Text}\n//----- {SharedFile}\n{Shared}";
}
