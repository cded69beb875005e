using Junctivor.Writing;

namespace Junctivor.Generators.Tests;

/// <summary>
/// Random programs that write their wirings in many ways: the compiler claims what the run finds, and says of which wirings it does not
/// know. The soak runs as many as time allows.
/// </summary>
public class WrittenProgramTests
{
    private const int Batches = 16;
    private const int BatchSize = 25;

    public static TheoryData<int> Seeds => [.. Enumerable.Range(1, Batches)];

    [Fact]
    public void There_are_many_ways()
    {
        Assert.InRange(ProgramWriter.WayNames.Count, 150, int.MaxValue);
        Assert.Equal(ProgramWriter.WayNames.Distinct(), ProgramWriter.WayNames);
    }

    [Theory]
    [MemberData(nameof(Seeds))]
    public void The_compiler_says_what_the_run_says(int seed)
    {
        ProgramCheck check = ProgramCheck.Run(seed, BatchSize, TestContext.Current.CancellationToken);

        Assert.Equal("", string.Join("\n\n", check.Wrong));
        Assert.Equal(BatchSize, check.Followed + check.Unfollowed);
        Assert.InRange(check.Faulty, 1, BatchSize);
    }
}
