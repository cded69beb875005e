using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Checking;

/// <summary>The kinds of diagnostic: one for each kind of fault, and one for a wiring that is known only at run time.</summary>
internal static class Descriptors
{
    private const string Category = "Junctivor";

    private static readonly Dictionary<FaultKind, DiagnosticDescriptor> ByKind = FaultKind.All.ToDictionary(kind => kind, Of);

    /// <summary>JV901: what the compiler says where it cannot say anything else.</summary>
    public static DiagnosticDescriptor NotFollowed { get; } = Information();

    public static IEnumerable<DiagnosticDescriptor> All => ByKind.Values.Append(NotFollowed);

    public static DiagnosticDescriptor OfKind(FaultKind kind) => ByKind[kind];

    public static DiagnosticSeverity SeverityOf(Severity severity) => severity switch
    {
        Severity.Fault => DiagnosticSeverity.Error,
        Severity.Warning => DiagnosticSeverity.Warning,
        _ => DiagnosticSeverity.Info,
    };

    private static DiagnosticDescriptor Of(FaultKind kind) => new(
        kind.Code, kind.Name, "{0}", Category, SeverityOf(kind.Severity), isEnabledByDefault: true, kind.Meaning, kind.HelpLink);

    private static DiagnosticDescriptor Information() => new(
        "JV901",
        "not-followed",
        "This wiring is checked at startup only: {0}",
        Category,
        DiagnosticSeverity.Info,
        isEnabledByDefault: true,
        "The compiler cannot know what is in a wiring, as it says something that is known only when the program runs.",
        FaultKind.Missing.HelpLink.Replace("jv101", "jv901"));
}
