using Junctivor.Checks;

namespace Junctivor.Generators.Following;

/// <summary>The severities that a build of a wiring sets.</summary>
/// <param name="ByCode">Those of single codes.</param>
/// <param name="WarningsAreErrors">Whether warnings stop the build.</param>
/// <param name="AreKnown">Whether that is all: otherwise the run may set others.</param>
internal sealed record WrittenSeverities(IReadOnlyDictionary<string, Severity> ByCode, bool WarningsAreErrors, bool AreKnown)
{
    /// <summary>Nothing is set.</summary>
    public static readonly WrittenSeverities Default = new(new Dictionary<string, Severity>(), false, true);

    /// <summary>The run decides.</summary>
    public static readonly WrittenSeverities Unknown = Default with { AreKnown = false };

    /// <summary>What a report of the compiler says: a fault that the run may lower is a warning here.</summary>
    public Fault Applied(Fault fault) => !AreKnown && fault.Severity == Severity.Error && fault.Kind.CanBeLowered
        ? fault with { Severity = Severity.Warning }
        : fault;
}
