using Junctivor.Checks;
using Junctivor.Model;
using Junctivor.Tests.Shared;
using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Tests;

/// <summary>The compiler says what the check at startup says, word for word.</summary>
public class SameFaultsTests
{
    private const int Batches = 10;
    private const int BatchSize = 100;

    private static readonly string Mistakes = Path.Combine(ProgramRun.RepositoryRoot, "examples", "Mistakes");

    public static TheoryData<string> Samples => [.. FilesIn("Samples").Concat(FilesIn("Programs"))];

    [Theory]
    [MemberData(nameof(Samples))]
    public void Of_each_sample(string sample)
    {
        AnalyzedSource source = SourceOf(sample);

        Assert.Equal(
            source.Check().Values.SelectMany(faults => faults).Distinct().Order(StringComparer.Ordinal),
            source.Analyze().Select(AnalyzedSource.TextOf).Order(StringComparer.Ordinal));
    }

    [Fact]
    public void Each_code_is_found_by_the_compiler_or_marked_as_known_later()
    {
        string page = File.ReadAllText(Path.Combine(ProgramRun.RepositoryRoot, "docs", "faults.md"));
        string marked = page.Split('\n')
            .Single(line => line.StartsWith("Known only at build or when the program runs", StringComparison.Ordinal));
        IEnumerable<string> later = FaultKind.All.Select(kind => kind.Code).Where(code => marked.Contains(code, StringComparison.Ordinal));

        IEnumerable<string> found = Samples.SelectMany(sample => SourceOf(sample.Data).Analyze())
            .Select(diagnostic => diagnostic.Id)
            .Where(code => code != "JV901")
            .Distinct();

        Assert.Equal(FaultKind.All.Select(kind => kind.Code), found.Concat(later).Order(StringComparer.Ordinal));
    }

    [Theory]
    [InlineData(true)]
    [InlineData(false)]
    public void Of_random_wirings(bool isTame) => AssertSame(isTame, Batches, drawn => AnalyzedSource.Of(
        [("/Wirings.cs", RandomWirings.Written(drawn, "[CheckedWiring]")), .. RandomWirings.ModelFiles]));

    [Theory]
    [InlineData(true)]
    [InlineData(false)]
    public void Of_random_wirings_in_another_project(bool isTame) => AssertSame(isTame, Batches / 2, drawn =>
        AnalyzedSource.OfModule([("/Wirings.cs", RandomWirings.Written(drawn, "")), .. RandomWirings.ModelFiles])
            .ReferencedBy(("/Checked.cs", string.Concat(drawn.Select((_, number) => $$"""

                public static class Checked{{number}}
                {
                    [CheckedWiring]
                    public static Wiring Wiring{{number}} => [.. Junctivor.Model.Office{{number}}.Wiring{{number}}];
                }
                """)))));

    private static void AssertSame(bool isTame, int batches, Func<IReadOnlyList<Entry[]>, AnalyzedSource> write)
    {
        int faulty = 0;
        List<string> wrong = [];
        for (int batch = 0; batch < batches; batch++)
        {
            IReadOnlyList<Entry[]> drawn = RandomWirings.Draw(isTame, batch, BatchSize);
            AnalyzedSource source = write(drawn);
            ILookup<string, string> found = source.Analyze().ToLookup(MemberOf, AnalyzedSource.TextOf);
            foreach ((string member, IReadOnlyList<string> faults) in source.Check())
            {
                faulty += faults.Count > 0 ? 1 : 0;
                wrong.AddRange(faults.Except(found[member]).Select(fault => $"{member} at startup only: {fault}"));
                wrong.AddRange(found[member].Except(faults).Select(fault => $"{member} in the compiler only: {fault}"));
            }
        }

        Assert.True(wrong.Count == 0, string.Join("\n\n", wrong));
        Assert.InRange(faulty, batches * BatchSize / 10, batches * BatchSize);
    }

    private static AnalyzedSource SourceOf(string sample)
    {
        string file = Path.Combine(Mistakes, sample);
        return AnalyzedSource.Of((file, File.ReadAllText(file)));
    }

    /// <summary>The wiring: of a fault that is shown at a class, by the registration, which is its other place.</summary>
    private static string MemberOf(Diagnostic diagnostic) => diagnostic.AdditionalLocations.Prepend(diagnostic.Location)
        .SelectMany(location => location.SourceTree!.GetRoot().FindNode(location.SourceSpan).AncestorsAndSelf())
        .OfType<Microsoft.CodeAnalysis.CSharp.Syntax.PropertyDeclarationSyntax>()
        .First()
        .Identifier.ValueText;

    private static IEnumerable<string> FilesIn(string folder) => Directory.GetFiles(Path.Combine(Mistakes, folder), "*.cs")
        .Select(path => Path.Combine(folder, Path.GetFileName(path)))
        .Order(StringComparer.Ordinal);
}
