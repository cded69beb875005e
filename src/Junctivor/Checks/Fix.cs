namespace Junctivor.Checks;

/// <summary>One way to fix a <see cref="Fault"/>. Immutable.</summary>
public sealed record Fix
{
    internal Fix(string advice, string? code = null, params IReadOnlyList<SourceEdit> edits)
    {
        Advice = advice;
        Code = code;
        Edits = edits;
    }

    /// <summary>What to do, in words.</summary>
    public string Advice { get; internal init; }

    /// <summary>C# code to paste, in which <c>…</c> is to be filled in; null if there is none.</summary>
    public string? Code { get; }

    /// <summary>The changes that this makes to the source, all of which belong together; empty if it is to be done by hand, such as
    /// where a value is to be filled in.</summary>
    public IReadOnlyList<SourceEdit> Edits { get; internal init; }

    /// <summary>Whether the fix changes what the program does: a service is lost, or an instance lives for a shorter time. Such fixes come
    /// after the others, and their advice names the loss.</summary>
    public bool ChangesBehavior { get; internal init; }

    /// <summary>The reason why <c>junctivor fix</c> and "fix all" do not apply it, worded to follow "because". Null if it has
    /// <see cref="Edits"/> and certainly preserves what the program does. An editor also offers the others that have edits.</summary>
    public string? ByHandBecause
    {
        get => field ?? (Edits.Count == 0
            ? Code is not null && RegistrationText.IsToBeFilledIn(Code) ? ByHand.ToBeFilledIn : ByHand.NotMechanical
            : ChangesBehavior ? ByHand.ChangesBehavior
            : null);
        internal init;
    }

    /// <summary>Whether another fix is the same.</summary>
    /// <param name="other">The other fix.</param>
    /// <returns>True if advice, code and edits are equal.</returns>
    public bool Equals(Fix? other) => other is not null
        && (Advice, Code, ChangesBehavior, ByHandBecause) == (other.Advice, other.Code, other.ChangesBehavior, other.ByHandBecause)
        && Edits.SequenceEqual(other.Edits);

    /// <inheritdoc/>
    public override int GetHashCode() => (Advice, Code).GetHashCode();

    /// <summary>The fix on one line.</summary>
    /// <returns>The advice, and the code after a colon.</returns>
    public override string ToString() => Code is null ? Advice : $"{Advice}: {Code.Replace(",\n", ", ").Replace("\n", "; ")}";
}
