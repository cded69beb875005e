namespace Junctivor.Checks;

/// <summary>What a <see cref="SourceEdit"/> does to the source.</summary>
public enum SourceEditKind
{
    /// <summary>Writes <see cref="SourceEdit.Text"/>, such as <c>.FirstChoice()</c>, behind a registration.</summary>
    AppendOption,

    /// <summary>Removes the call of the option <see cref="SourceEdit.Text"/>, such as <c>Accept</c>, from a registration. Where
    /// <see cref="SourceEdit.Parameter"/> is given, only the call that names it.</summary>
    RemoveOption,

    /// <summary>Replaces the text <see cref="SourceEdit.Parameter"/> by <see cref="SourceEdit.Text"/> in the call of <c>Passing</c> of a
    /// registration.</summary>
    RenamePassed,

    /// <summary>Replaces what a registration starts with, such as <c>Scoped.Of&lt;IBerthLedger&gt;()</c>, and leaves its options.</summary>
    ReplaceStart,

    /// <summary>Replaces the lifetime that a registration starts with, such as <c>Singleton</c>.</summary>
    ReplaceLifetime,

    /// <summary>Replaces the method that a registration starts with, such as <c>From</c>.</summary>
    ReplaceMethod,

    /// <summary>Writes the registration <see cref="SourceEdit.Text"/> behind another one.</summary>
    AddRegistration,

    /// <summary>Removes a registration.</summary>
    RemoveRegistration,

    /// <summary>Moves a registration behind the one at <see cref="SourceEdit.TargetFile"/>.</summary>
    MoveRegistration,

    /// <summary>Replaces the parameter <see cref="SourceEdit.Parameter"/> of the constructor of a class, or of the factory of a
    /// registration, and changes the uses of it accordingly.</summary>
    ChangeParameter,

    /// <summary>Writes the attribute <see cref="SourceEdit.Text"/> before the constructor whose parameters have the names
    /// <see cref="SourceEdit.Parameter"/>, separated by commas.</summary>
    AddAttribute,

    /// <summary>Makes the constructor of a class public.</summary>
    MakeConstructorPublic,

    /// <summary>Lets a class implement the interface <see cref="SourceEdit.Text"/>.</summary>
    AddInterface,

    /// <summary>Moves the members of a class into a new class <see cref="SourceEdit.Text"/>, and lets the old one call them in a fresh
    /// scope.</summary>
    MoveWork,

    /// <summary>Replaces the parameter <see cref="SourceEdit.Parameter"/>, a scope or container, by the services that the class resolves
    /// from it.</summary>
    TakeResolved,

    /// <summary>Starts a scope before the statement of a call, and lets the call resolve from it.</summary>
    StartScope,

    /// <summary>Awaits the call <see cref="SourceEdit.Text"/> of the same container before the statement of a call.</summary>
    AwaitBefore,

    /// <summary>Supplies a value of the class <see cref="SourceEdit.Type"/> as <see cref="SourceEdit.Text"/> in a call.</summary>
    SupplyAs,

    /// <summary>Declares the scope level <see cref="SourceEdit.Text"/> within the level <see cref="SourceEdit.Parameter"/>; the other way
    /// round where the program starts a scope of the second from a scope of the first.</summary>
    NestLevel,
}
