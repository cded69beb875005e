namespace Junctivor.Checks;

/// <summary>One change of a <see cref="Fix"/> to the source of the program. Immutable.</summary>
/// <remarks>A registration, or a call at run time, is found by <see cref="File"/> and <see cref="Line"/>; a class, by <see cref="Type"/>.
/// </remarks>
public sealed record SourceEdit
{
    internal SourceEdit(SourceEditKind kind, string text)
    {
        Kind = kind;
        Text = text;
    }

    /// <summary>What is done.</summary>
    public SourceEditKind Kind { get; }

    /// <summary>The C# that is written, or the name of what is removed; empty if <see cref="Kind"/> is enough.</summary>
    public string Text { get; }

    /// <summary>The source file of the registration or call, as the compiler recorded it; empty for the change of a class.</summary>
    public string File { get; internal init; } = "";

    /// <summary>The line of the registration or call in <see cref="File"/>, counted from 1; 0 for the change of a class.</summary>
    public int Line { get; internal init; }

    /// <summary>The class that is changed, or that the registration creates: its full name in metadata, such as
    /// <c>Harbour.Archive`1</c>; null if unknown.</summary>
    public string? Type { get; internal init; }

    /// <summary>Whether it changes the call that fails, whose place is known only when it fails.</summary>
    internal bool IsOfCall => Kind is SourceEditKind.StartScope or SourceEditKind.AwaitBefore or SourceEditKind.SupplyAs;

    /// <summary>Whether it changes only registrations, and no class or call.</summary>
    internal bool IsOfRegistration => Kind is SourceEditKind.AppendOption or SourceEditKind.RemoveOption or SourceEditKind.RenamePassed
        or SourceEditKind.ReplaceStart or SourceEditKind.ReplaceLifetime or SourceEditKind.ReplaceMethod or SourceEditKind.AddRegistration
        or SourceEditKind.RemoveRegistration or SourceEditKind.MoveRegistration;

    /// <summary>The name of the parameter that is changed; null if none is.</summary>
    public string? Parameter { get; internal init; }

    /// <summary>What the service of a fresh scope keeps from one call to the next, such as <c>Ledger._rows</c>: methods that share it need
    /// one scope, and are not changed to have several; null if it keeps nothing.</summary>
    public string? State { get; internal init; }

    /// <summary>The file of the registration behind which another is moved; empty for the rest.</summary>
    public string TargetFile { get; internal init; } = "";

    /// <summary>The line in <see cref="TargetFile"/>, counted from 1; 0 for the rest.</summary>
    public int TargetLine { get; internal init; }
}
