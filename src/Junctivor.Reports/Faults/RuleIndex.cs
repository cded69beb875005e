using Junctivor.Checks;

namespace Junctivor.Reports.Faults;

/// <summary>Where each kind stands in the list of rules.</summary>
internal static class RuleIndex
{
    private static readonly Dictionary<string, int> Places = FaultKind.All.Select((kind, place) => (kind.Code, place)).ToDictionary();

    public static int Of(FaultKind kind) => Places[kind.Code];
}
