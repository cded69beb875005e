namespace Junctivor;

/// <summary>One way to mend a <see cref="Fault"/>. Immutable.</summary>
public sealed record Fix
{
    internal Fix(string advice, string? code = null)
    {
        Advice = advice;
        Code = code;
    }

    /// <summary>What to do, in words.</summary>
    public string Advice { get; internal init; }

    /// <summary>C# code to paste, in which <c>…</c> is to be filled in; null if there is none.</summary>
    public string? Code { get; }

    /// <summary>The fix on one line.</summary>
    /// <returns>The advice, and the code after a colon.</returns>
    public override string ToString() => Code is null ? Advice : $"{Advice}: {Code}";
}
