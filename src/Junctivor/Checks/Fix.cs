namespace Junctivor;

/// <summary>One way to mend a <see cref="Fault"/>. Immutable.</summary>
/// <param name="Advice">What to do, in words.</param>
/// <param name="Code">What to write: C# that can be pasted, with names to fill in where it says <c>…</c>; null where words say it all.</param>
public sealed record Fix(string Advice, string? Code = null)
{
    /// <summary>The fix in one line.</summary>
    /// <returns>The advice, and the code behind a colon.</returns>
    public override string ToString() => Code is null ? Advice : $"{Advice}: {Code}";
}
