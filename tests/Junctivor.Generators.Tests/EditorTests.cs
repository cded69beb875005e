extern alias CodeFixes;
extern alias Fixing;
extern alias Generators;
using CodeFixes::Junctivor.CodeFixes;
using Fixing::Junctivor.Fixing;
using Generators::Junctivor.Generators;
using Junctivor.Checks;
using Junctivor.Tests.Shared;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Testing;
using Microsoft.CodeAnalysis.Testing;

namespace Junctivor.Generators.Tests;

/// <summary>
/// The fixes as an editor makes them: it shows what the analyzer says, makes the first fix, and looks again, until nothing is left; and
/// all of one kind at once. What comes out is what <c>junctivor fix</c> makes of it.
/// </summary>
public class EditorTests
{
    private const int MostRounds = 40;

    private static readonly string Mistakes = Path.Combine(ProgramRun.RepositoryRoot, "examples", "Mistakes");

    public static TheoryData<string> Samples => SameFaultsTests.Samples;

    [Theory]
    [MemberData(nameof(Samples))]
    public async Task Makes_the_edits_of_the_command(string sample)
    {
        string file = Path.Combine(Mistakes, sample);
        AnalyzedSource source = AnalyzedSource.Of((file, await File.ReadAllTextAsync(file, TestContext.Current.CancellationToken)));
        Fixer fixer = new(source.Compilation, Found) { MakesUncertain = true };
        fixer.Run(_ => true);
        Assert.Empty(Found(fixer.After));

        bool decides = fixer.Done.Any(each => each.Made?.ByHandBecause is not null);
        await Editing(file, $"{source.Compilation.SyntaxTrees[^1]}", $"{fixer.After.SyntaxTrees[^1]}", source.Analyze(), decides)
            .RunAsync(TestContext.Current.CancellationToken);
    }

    private static IReadOnlyList<(string Wiring, Fault Fault)> Found(CSharpCompilation compilation) =>
        [.. AnalyzedSource.Of(compilation).CheckFaults()];

    private static CSharpCodeFixTest<WiringAnalyzer, FaultFixProvider, DefaultVerifier> Editing(
        string file, string before, string after, IReadOnlyList<Diagnostic> found, bool decides)
    {
        CSharpCodeFixTest<WiringAnalyzer, FaultFixProvider, DefaultVerifier> test = new()
        {
            ReferenceAssemblies = new ReferenceAssemblies("net10.0"),
            // What only the developer can decide is not made for all at once.
            CodeFixTestBehaviors = decides ? CodeFixTestBehaviors.SkipFixAllCheck : CodeFixTestBehaviors.None,
            NumberOfIncrementalIterations = -MostRounds,
            NumberOfFixAllIterations = -MostRounds,
            NumberOfFixAllInDocumentIterations = -MostRounds,
            NumberOfFixAllInProjectIterations = -MostRounds,
        };
        foreach (MetadataReference reference in AnalyzedSource.References)
        {
            test.TestState.AdditionalReferences.Add(reference);
        }

        test.TestState.Sources.Add(("/usings.cs", AnalyzedSource.Usings));
        test.TestState.Sources.Add((file, before));
        test.TestState.ExpectedDiagnostics.AddRange(found.Select(ResultOf));
        test.FixedState.Sources.Add(("/usings.cs", AnalyzedSource.Usings));
        test.FixedState.Sources.Add((file, after));
        return test;
    }

    private static DiagnosticResult ResultOf(Diagnostic diagnostic) => diagnostic.AdditionalLocations.Prepend(diagnostic.Location)
        .Select(location => location.GetLineSpan())
        .Aggregate(
            new DiagnosticResult(diagnostic.Descriptor).WithSeverity(diagnostic.Severity).WithMessage(diagnostic.GetMessage()),
            (result, place) => result.WithSpan(
                place.Path,
                place.StartLinePosition.Line + 1,
                place.StartLinePosition.Character + 1,
                place.EndLinePosition.Line + 1,
                place.EndLinePosition.Character + 1));
}
