using Junctivor.Reports.Graphs;

namespace Junctivor.Reports.Comparing;

/// <summary>One difference between two wirings. Immutable.</summary>
/// <param name="Kind">What kind of difference.</param>
/// <param name="Service">The short name of the service, with its mark.</param>
/// <param name="Before">What it was; empty if there was nothing.</param>
/// <param name="After">What it is; empty if there is nothing.</param>
public sealed record GraphChange(ChangeKind Kind, string Service, string Before, string After)
{
    /// <summary>The registration before; null if there was none.</summary>
    public SavedRegistration? RegistrationBefore { get; init; }

    /// <summary>The registration after; null if there is none.</summary>
    public SavedRegistration? RegistrationAfter { get; init; }
}
