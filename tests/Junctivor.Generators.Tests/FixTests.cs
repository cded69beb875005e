using Junctivor.Tests.Shared;
using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Tests;

/// <summary>The fixes of the editor: made one after another, the first of each fault, they leave nothing to report.</summary>
public class FixTests
{
    private const int MostRounds = 40;

    private static readonly string Mistakes = Path.Combine(ProgramRun.RepositoryRoot, "examples", "Mistakes");

    public static TheoryData<string> Samples => SameFaultsTests.Samples;

    [Theory]
    [MemberData(nameof(Samples))]
    public async Task First_fixes_leave_no_diagnostic(string sample)
    {
        string file = Path.Combine(Mistakes, sample);
        EditedProject project = EditedProject.Of(file, await File.ReadAllTextAsync(file, TestContext.Current.CancellationToken));
        for (int round = 0; round < MostRounds; round++)
        {
            IReadOnlyList<Diagnostic> found = await project.AnalyzeAsync();
            if (found.Count == 0)
            {
                Assert.Empty((await project.SourceAsync()).Check().Values.SelectMany(faults => faults));
                return;
            }

            project = await project.WithFirstFixAsync(found[0]);
        }

        Assert.Fail($"After {MostRounds} fixes there is still: {string.Join("\n", await project.AnalyzeAsync())}");
    }
}
