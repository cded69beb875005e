using System.Collections.Immutable;
using Junctivor.Generators.Checking;
using Junctivor.Generators.Native;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.Diagnostics;

namespace Junctivor.Generators;

/// <summary>
/// Checks wirings while they are written, by the rules that check them at startup. A wiring is checked where it is built, and where it has
/// <c>[CheckedWiring]</c>; a fault is shown at the registration that it begins with.
/// </summary>
[DiagnosticAnalyzer(LanguageNames.CSharp)]
public sealed class WiringAnalyzer : DiagnosticAnalyzer
{
    /// <summary>The property of a diagnostic with the whole text of the fault, as the report at startup has it.</summary>
    public const string TextProperty = "text";

    /// <inheritdoc/>
    public override ImmutableArray<DiagnosticDescriptor> SupportedDiagnostics { get; } = [.. Descriptors.All];

    /// <inheritdoc/>
    public override void Initialize(AnalysisContext context)
    {
        context.ConfigureGeneratedCodeAnalysis(GeneratedCodeAnalysisFlags.None);
        context.EnableConcurrentExecution();
        context.RegisterCompilationStartAction(Start);
    }

    private static void Start(CompilationStartAnalysisContext context)
    {
        if (context.Compilation.GetTypeByMetadataName("Junctivor.Wiring") is null)
        {
            return;
        }

        if (WiringGenerator.AreRecipesWanted(context.Options.AnalyzerConfigOptionsProvider))
        {
            context.RegisterCompilationEndAction(ReportGaps);
        }

        context.RegisterOperationAction(UnusedResults.Inspect, OperationKind.ExpressionStatement);
        CompilationChecks checks = new(context.Compilation);
        context.RegisterSemanticModelAction(file =>
        {
            foreach (Diagnostic diagnostic in checks.In(file.SemanticModel.SyntaxTree, file.CancellationToken))
            {
                file.ReportDiagnostic(diagnostic);
            }
        });
    }

    private static void ReportGaps(CompilationAnalysisContext context)
    {
        if (RecipeGaps.Find(context.Compilation, context.CancellationToken) is { } reason)
        {
            context.ReportDiagnostic(Diagnostic.Create(Descriptors.NotCompiledIn, Location.None, reason));
        }
    }
}
