namespace Junctivor.Graph;

/// <summary>The options of a registration that have no value. Each is named like the method that sets it: the compiler, and the text that
/// an assembly leaves behind, know an option by that name.</summary>
[Flags]
internal enum RegistrationFlags
{
    None = 0,
    Replacing = 1,
    IfMissing = 1 << 1,
    FirstChoice = 1 << 2,
    ResolvedDirectly = 1 << 3,
    SuppliedLater = 1 << 4,

    /// <summary>A created instance that is not disposed.</summary>
    LeaveUndisposed = 1 << 5,

    /// <summary>A value that is disposed.</summary>
    DisposeAtEnd = 1 << 6,
}
