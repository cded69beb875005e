extern alias Generators;

using Generators::Junctivor.Generators;
using Junctivor.Tests;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.Diagnostics;

namespace Repository.Tests;

/// <summary>What the compiler finds in the wirings of a program of top-level statements.</summary>
internal static class AnalyzedProgram
{
    /// <summary>What stops the build.</summary>
    public static async Task<IReadOnlyList<string>> FaultsAsync(params string[] sources) =>
        [.. (await CompiledSource.Compile("Program", OutputKind.ConsoleApplication, sources)
            .WithAnalyzers([new WiringAnalyzer()])
            .GetAnalyzerDiagnosticsAsync(TestContext.Current.CancellationToken))
            .Where(found => found.Severity == DiagnosticSeverity.Error)
            .Select(found => $"{found.Id}: {found.GetMessage(null)}")];
}
