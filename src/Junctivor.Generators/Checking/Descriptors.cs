using Junctivor.Checks;
using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Checking;

/// <summary>The kinds of diagnostic: one for each kind of fault, and one for a wiring that is known only at run time.</summary>
internal static class Descriptors
{
    private const string Category = "Junctivor";

    private static readonly Dictionary<FaultKind, DiagnosticDescriptor> ByKind = FaultKind.All.ToDictionary(kind => kind, Of);

    /// <summary>JV901: a wiring that the compiler cannot follow. A warning if it could be written so that it can be followed; otherwise an
    /// information.</summary>
    public static DiagnosticDescriptor NotFollowed { get; } = Unfollowed();

    /// <summary>JV902: code that a natively compiled program needs, and that was not written.</summary>
    public static DiagnosticDescriptor NotCompiledIn { get; } = new(
        "JV902",
        "not-compiled-in",
        "For a natively compiled program {0}",
        Category,
        DiagnosticSeverity.Warning,
        isEnabledByDefault: true,
        "A natively compiled program needs code that cannot be made at run time, and the generator could not write all of it.",
        FaultKind.Missing.HelpLink.Replace("jv101", "jv902"),
        WellKnownDiagnosticTags.CompilationEnd);

    /// <summary>JV903: a registration that nothing uses.</summary>
    public static DiagnosticDescriptor Unused { get; } = new(
        "JV903",
        "unused-result",
        "{0}",
        Category,
        DiagnosticSeverity.Warning,
        isEnabledByDefault: true,
        "Options return another registration, and this one is not used.",
        FaultKind.Missing.HelpLink.Replace("jv101", "jv903"));

    public static IEnumerable<DiagnosticDescriptor> All => ByKind.Values.Append(NotFollowed).Append(NotCompiledIn).Append(Unused);

    public static DiagnosticDescriptor OfKind(FaultKind kind) => ByKind[kind];

    public static DiagnosticSeverity SeverityOf(Severity severity) => severity switch
    {
        Severity.Error => DiagnosticSeverity.Error,
        Severity.Warning => DiagnosticSeverity.Warning,
        _ => DiagnosticSeverity.Info,
    };

    private static DiagnosticDescriptor Of(FaultKind kind) => new(
        kind.Code, kind.Name, "{0}", Category, SeverityOf(kind.Severity), isEnabledByDefault: true, kind.Meaning, kind.HelpLink);

    private static DiagnosticDescriptor Unfollowed() => new(
        "JV901",
        "not-followed",
        "This wiring is checked at startup only: {0}",
        Category,
        DiagnosticSeverity.Warning,
        isEnabledByDefault: true,
        "The compiler cannot follow a wiring, so it is checked only at startup.",
        FaultKind.Missing.HelpLink.Replace("jv101", "jv901"));
}
