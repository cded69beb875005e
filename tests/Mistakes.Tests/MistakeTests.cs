using Junctivor;
using Junctivor.Checks;
using Junctivor.Tests.Shared;

namespace Mistakes.Tests;

/// <summary>Every code has a rule that says it, a sample that shows it, and a section that explains it.</summary>
public class MistakeTests
{
    private static readonly string Page = File.ReadAllText(Path.Combine(ProgramRun.RepositoryRoot, "docs", "faults.md"));

    public static TheoryData<string> Codes => [.. FaultKind.All.Select(kind => kind.Code)];

    [Fact]
    public void Every_code_has_a_sample_and_no_sample_is_left_over() =>
        Assert.Equal(FaultKind.All.Select(kind => kind.Code), Collection.All.Select(mistake => mistake.Code));

    [Theory]
    [MemberData(nameof(Codes))]
    public void A_sample_shows_its_fault_and_no_other(string code)
    {
        CheckReport report = Of(code).Show();

        Assert.Equal(FaultKind.Find(code), Assert.Single(report.All).Kind);
    }

    [Theory]
    [MemberData(nameof(Codes))]
    public void Each_fault_says_where_and_what_to_do(string code)
    {
        Fault fault = Of(code).Show().All[0];

        Assert.NotEmpty(fault.Fixes);
        Assert.Contains($"  More: {fault.Kind.HelpCommand}", fault.ToString(), StringComparison.Ordinal);
        Assert.True(fault.Path[0].Line > 0);
    }

    [Fact]
    public void The_page_has_a_section_for_each_code_in_order_and_no_other()
    {
        IEnumerable<string> headings = Page.Split('\n').Where(line => line.StartsWith("## ", StringComparison.Ordinal));

        Assert.Equal(
            [.. FaultKind.All.Select(kind => $"## {kind.Code} {kind.Name}"), "## JV901 not-followed", "## JV903 unused-result"], headings);
    }

    [Fact]
    public void The_page_begins_with_the_table_of_all_codes() => Assert.Contains(
        $"\n\n{CodeTable.Text()}\n\n", Page[..Page.IndexOf("\n## ", StringComparison.Ordinal)], StringComparison.Ordinal);

    [Theory]
    [MemberData(nameof(Codes))]
    public void A_section_shows_the_sample_and_what_is_reported_to_it(string code)
    {
        string section = SectionOf(code);

        Assert.Contains($"```csharp\n{Of(code).Source()}\n```", section, StringComparison.Ordinal);
        Assert.Contains($"```text\n{Of(code).Show().All[0]}\n```", section, StringComparison.Ordinal);
        Assert.Contains("\n**Why it matters.** ", section, StringComparison.Ordinal);
        Assert.Contains("\n**How to fix it.** ", section, StringComparison.Ordinal);
    }

    [Fact]
    public void Each_kind_has_a_page_and_a_command_that_explain_it()
    {
        Assert.All(
            FaultKind.All, kind => Assert.EndsWith($"/faults/{kind.Code.ToLowerInvariant()}", kind.HelpLink, StringComparison.Ordinal));
        Assert.All(FaultKind.All, kind => Assert.Equal($"junctivor fault {kind.Code}", kind.HelpCommand));
        Assert.All(FaultKind.All, kind => Assert.Same(kind, FaultKind.Find(kind.Code.ToLowerInvariant())));
        Assert.Null(FaultKind.Find("JV999"));
    }

    [Fact]
    public async Task The_program_shows_one_or_says_that_there_is_none()
    {
        ProgramRun one = await ProgramRun.Of("examples/Mistakes", "jv301");
        ProgramRun none = await ProgramRun.Of("examples/Mistakes", "JV999");

        Assert.Equal((0, ""), (one.Status, one.Errors));
        Assert.Contains("JV301 captive: NightlyInvoicing (singleton) holds IBerthLedger (scoped)", one.Output, StringComparison.Ordinal);
        Assert.Equal((2, ""), (none.Status, none.Output));
        Assert.Contains("There is no fault JV999", none.Errors, StringComparison.Ordinal);
    }

    private static Mistake Of(string code) => Collection.All.Single(mistake => mistake.Code == code);

    private static string SectionOf(string code)
    {
        int start = Page.IndexOf($"## {code} ", StringComparison.Ordinal);
        int end = Page.IndexOf("\n## ", start, StringComparison.Ordinal);
        return Page[start..(end < 0 ? Page.Length : end)];
    }
}
