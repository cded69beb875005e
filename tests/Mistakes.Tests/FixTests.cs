using Junctivor;

namespace Mistakes.Tests;

/// <summary>What a fix says to write, compiles where it is pasted, and mends what it was offered for.</summary>
public class FixTests
{
    /// <summary>What is not written in one place: several marks, the order of fields, the body of a method.</summary>
    private static readonly string[] Elsewhere = ["distinguish them with marks", "declare one level", "pass it to the methods of"];

    public static TheoryData<string, string> Fixes
    {
        get
        {
            TheoryData<string, string> fixes = [];
            foreach (Mistake mistake in Collection.All.Where(mistake => mistake.Sample.GetProperty("Wiring") is not null))
            {
                foreach (Fix fix in mistake.Show().All[0].Fixes.Where(CanBePasted))
                {
                    fixes.Add(mistake.Code, fix.ToString());
                }
            }

            return fixes;
        }
    }

    [Fact]
    public void Most_samples_have_a_fix_that_can_be_pasted() =>
        Assert.InRange(Fixes.Select(row => row.Data.Item1).Distinct().Count(), 15, Collection.All.Count);

    [Theory]
    [MemberData(nameof(Fixes))]
    public void A_fix_mends_what_it_was_offered_for(string code, string fix)
    {
        Mistake mistake = Collection.All.Single(mistake => mistake.Code == code);
        Fault fault = mistake.Show().All[0];

        using PastedSample mended = new(mistake, fault, fault.Fixes.Single(offered => offered.ToString() == fix));

        Assert.DoesNotContain(mended.Wiring.Check().All, found => found.Code == code);
    }

    /// <summary>The codes of the samples whose first fix is a piece of code for one place.</summary>
    public static TheoryData<string> FirstFixes =>
    [
        .. Collection.All
            .Where(mistake => mistake.Sample.GetProperty("Wiring") is not null && CanBePasted(mistake.Show().All[0].Fixes[0]))
            .Select(mistake => mistake.Code),
    ];

    [Theory]
    [MemberData(nameof(FirstFixes))]
    public void A_first_fix_leaves_nothing_to_report(string code)
    {
        Mistake mistake = Collection.All.Single(mistake => mistake.Code == code);
        Fault fault = mistake.Show().All[0];

        using PastedSample mended = new(mistake, fault, fault.Fixes[0]);

        Assert.Empty(mended.Wiring.Check().All);
    }

    private static bool CanBePasted(Fix fix) =>
        fix.Code is { } code
        && !Elsewhere.Any(start => fix.Advice.StartsWith(start, StringComparison.Ordinal))
        && (!code.Contains('…', StringComparison.Ordinal)
            || code.StartsWith(".Accept", StringComparison.Ordinal)
            || code.StartsWith(".Passing", StringComparison.Ordinal));
}
