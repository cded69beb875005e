using System.Reflection;
using Junctivor;
using Junctivor.Checks;
using Junctivor.Fixing;
using Junctivor.Fixing.Editing;
using Junctivor.Tests.Shared;

namespace Mistakes.Tests;

/// <summary>
/// The first fix of each fault, made mechanically, fixes the cause, compiles, brings no new fault, and leaves the program doing what it
/// did.
/// </summary>
public class FirstFixTests
{
    private static readonly string Folder = Path.Combine(ProgramRun.RepositoryRoot, "examples", "Mistakes");

    /// <summary>The samples that have a wiring to check.</summary>
    public static TheoryData<string> Samples => [.. FilesIn("Samples").Concat(FilesIn("Programs"))];

    [Theory]
    [MemberData(nameof(Samples))]
    public void First_fixes_leave_nothing_to_report(string sample)
    {
        (FixedSource source, IReadOnlyList<FixOutcome> done) = FixedSource.Of(Path.Combine(Folder, sample)).FixAll();

        Assert.True(done.All(each => each.Obstacle is null), string.Join("\n", done.Where(each => each.Obstacle is not null)
            .Select(each => $"{each.Fault.Kind}: {each.Fault.Summary}, because {each.Obstacle}")));
        Assert.NotEmpty(done);
        Assert.Empty(source.Found.Select(each => each.Fault));
        if (Prints(sample) is { } expected)
        {
            Assert.Equal(expected, source.Output());
        }
    }

    [Theory]
    [MemberData(nameof(Samples))]
    public void Every_other_fix_that_keeps_behaviour_does_so_too(string sample)
    {
        FixedSource source = FixedSource.Of(Path.Combine(Folder, sample));
        List<string> wrong = [];
        foreach ((string Wiring, Fault Fault) found in source.Found)
        {
            foreach (Fix fix in found.Fault.Fixes.Skip(1).Where(fix => fix.Edits.Count > 0 && !fix.ChangesBehavior))
            {
                try
                {
                    (FixedSource after, IReadOnlyList<FixOutcome> done) = source.With(fix, found).FixAll();
                    wrong.AddRange(
                        done.Where(each => each.Obstacle is not null).Select(each => $"{fix}: {each.Fault.Summary}, {each.Obstacle}"));
                    // Only the user knows whether an "if" of the advice holds.
                    if (Prints(sample) is { } expected
                        && !fix.Advice.StartsWith("if ", StringComparison.Ordinal)
                        && after.Output() != expected)
                    {
                        wrong.Add($"{fix}: prints\n{after.Output()}");
                    }
                }
                catch (CannotEditException problem) when (fix.ByHandBecause is null)
                {
                    wrong.Add($"{found.Fault.Kind}: {fix}: {problem.Message}");
                }
                catch (CannotEditException)
                {
                    // Left to be made by hand in any case.
                }
            }
        }

        Assert.True(wrong.Count == 0, string.Join("\n", wrong));
    }

    [Fact]
    public void First_fix_of_a_branch_leaves_nothing_to_report_of_it()
    {
        FixedSource source = FixedSource.Of(Path.Combine(Folder, "Samples", "BranchNotSeen.cs"));
        Fix fix = source.Run(ReportOfBranch).All[0].Fixes[0];

        Assert.Empty(source.Edited(fix).Run(ReportOfBranch).All);
    }

    [Theory]
    [InlineData("NotDeclared", "Start")]
    [InlineData("ScopedOutsideScope", "Ask")]
    [InlineData("AsyncNotReady", "AskAsync")]
    public void First_fix_of_a_call_at_run_time_lets_it_succeed(string sample, string method)
    {
        FixedSource source = FixedSource.Of(Path.Combine(Folder, "Samples", $"{sample}.cs"));

        Fault? fault = source.Run(assembly => FaultOf(assembly, sample, method));

        Assert.NotNull(fault);
        Assert.Null(source.Edited(fault.Fixes[0]).Run(assembly => FaultOf(assembly, sample, method)));
    }

    private static Fault? FaultOf(Assembly assembly, string sample, string method)
    {
        try
        {
            object? result = assembly.GetType($"Mistakes.Samples.{sample}", throwOnError: true)!.GetMethod(method)!.Invoke(null, []);
            (result as Task)?.GetAwaiter().GetResult();
            return null;
        }
        catch (TargetInvocationException failure) when (failure.InnerException is ResolveException told)
        {
            return told.Fault;
        }
        catch (ResolveException told)
        {
            return told.Fault;
        }
    }

    private static CheckReport ReportOfBranch(Assembly assembly)
    {
        Type sample = assembly.GetType("Mistakes.Samples.BranchNotSeen", throwOnError: true)!;
        using Container office = ((Wiring)sample.GetProperty("Office")!.GetValue(null)!).Build();
        using Container branch = (Container)sample.GetMethod("Branch")!.Invoke(null, [office])!;
        return branch.Report;
    }

    [Fact]
    public void There_are_sixty_samples_and_half_of_them_are_programs_of_several_faults()
    {
        int several = FilesIn("Programs").Count(program => FixedSource.Of(Path.Combine(Folder, program)).Found.Count > 1);

        Assert.True(several >= 30, $"{several} programs have several faults: "
            + string.Join(", ", FilesIn("Programs").Where(program => FixedSource.Of(Path.Combine(Folder, program)).Found.Count < 2)));
        Assert.True(FilesIn("Samples").Count() + FilesIn("Programs").Count() >= 60);
    }

    [Theory]
    [MemberData(nameof(Samples))]
    public void Fixes_that_change_what_the_program_does_come_last(string sample) =>
        Assert.All(FixedSource.Of(Path.Combine(Folder, sample)).Found, found => Assert.DoesNotContain(
            found.Fault.Fixes.SkipWhile(fix => !fix.ChangesBehavior), fix => !fix.ChangesBehavior));

    private static IEnumerable<string> FilesIn(string folder) => Directory.Exists(Path.Combine(Folder, folder))
        ? Directory.GetFiles(Path.Combine(Folder, folder), "*.cs")
        .Where(file => File.ReadAllText(file).Contains("[CheckedWiring", StringComparison.Ordinal))
        .Select(file => Path.GetRelativePath(Folder, file))
        .Order(StringComparer.Ordinal) : [];

    /// <summary>What the sound program prints; null for a sample that is no program.</summary>
    private static string? Prints(string sample) =>
        (string?)typeof(Collection).Assembly.GetType($"Mistakes.Programs.{Path.GetFileNameWithoutExtension(sample)}")
            ?.GetField("Prints")!.GetRawConstantValue();
}
