using Junctivor.Tests.Shared;

namespace Harbour.Tests;

public class DemoTests
{
    [Fact]
    public async Task The_day_is_played_and_the_faults_are_reported()
    {
        ProgramRun run = await ProgramRun.Of("examples/Harbour", "demo");

        Assert.Equal((0, ""), (run.Status, run.Errors));
        string[] rows = [.. run.Output.Split('\n').Where(line => line.Contains(" /", StringComparison.Ordinal) && line.StartsWith('│'))];
        Assert.Equal(10, rows.Length);
        Assert.All(rows.Where(row => row.Contains("booking", StringComparison.Ordinal)), row =>
        {
            string[] cells = [.. row.Split('│').Select(cell => cell.Trim())];
            Assert.Equal(cells[6], cells[8]);
            Assert.Equal("#1", cells[9]);
            Assert.Equal("2 of 2", cells[10]);
        });
        Assert.Contains("The wiring: 3 errors.", run.Output, StringComparison.Ordinal);
        Assert.All(["JV101", "JV202", "JV301"], code => Assert.Contains($"\n{code} ", run.Output, StringComparison.Ordinal));
    }

    [Fact]
    public async Task An_address_that_cannot_be_listened_on_is_one_line_and_exits_with_2()
    {
        ProgramRun run =
            await ProgramRun.Of("examples/Harbour", "serve", "--urls", "http://127.0.0.1:70000", "--ledger", Path.GetTempFileName());

        Assert.Equal(2, run.Status);
        Assert.Contains("Give another address with --urls", run.Errors, StringComparison.Ordinal);
        Assert.DoesNotContain("   at ", run.Errors, StringComparison.Ordinal);
    }
}
