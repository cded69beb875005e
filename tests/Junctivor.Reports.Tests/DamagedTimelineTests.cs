using System.Globalization;
using System.Text.RegularExpressions;
using Junctivor.Reports.Drawing;
using Junctivor.Reports.Graphs;
using Junctivor.Reports.Recording;
using Junctivor.Reports.Tests.Recorded;

namespace Junctivor.Reports.Tests;

/// <summary>A recording may come from anywhere: it is read as it is, or refused.</summary>
public sealed class DamagedTimelineTests : IDisposable
{
    private const int Samples = 2000;

    private readonly string _file = Path.Combine(Path.GetTempPath(), $"{Guid.NewGuid():N}.json");

    public void Dispose() => File.Delete(_file);

    [Fact]
    public void Whatever_stands_in_its_place_a_damaged_part_is_refused_or_drawn()
    {
        string json = Record();
        int refused = 0;
        for (int seed = 0; seed < Samples; seed++)
        {
            string damaged = Damaged.Of(json, new Random(seed));
            try
            {
                if (Timeline.TryRead(damaged) is { } timeline)
                {
                    Assert.NotNull(PageText.Write(timeline.Drawing, timeline.Recorded));
                }
            }
            catch (SavedGraphException failure)
            {
                Assert.StartsWith("is a ", failure.Message, StringComparison.Ordinal);
                refused++;
            }
            catch (Exception failure)
            {
                Assert.Fail(string.Create(CultureInfo.InvariantCulture, $"seed {seed}: {failure}\n{damaged}"));
            }
        }

        Assert.InRange(refused, 1, Samples - 1);
    }

    [Theory]
    [InlineData("scopes")]
    [InlineData("instances")]
    [InlineData("arguments")]
    [InlineData("counts")]
    [InlineData("requests")]
    [InlineData("nodes")]
    public void Null_in_a_list_is_refused(string list)
    {
        string damaged = new Regex($"\"{list}\": \\[(?=\\s*[^\\s\\]])").Replace(Record(), $"\"{list}\": [null, ", 1);

        Assert.Equal(
            "is a damaged timeline: record it again with container.RecordScopes(FILE).",
            Assert.Throws<SavedGraphException>(() => Timeline.TryRead(damaged)).Message);
    }

    [Theory]
    [InlineData("{SCRIPT}")]
    [InlineData("{TITLE} {WIRING} {DRAWING} {STYLE-HASH}")]
    [InlineData("</title><script>alert(1)</script>")]
    public void A_wiring_may_have_any_name(string name)
    {
        string page = PageText.Write(DrawnContainer.Of(name, new Wiring { Singleton.Of<Clock>() }.Build()).Drawing);
        string plain = PageText.Write(DrawnContainer.Of("plain", new Wiring { Singleton.Of<Clock>() }.Build()).Drawing);

        Assert.Contains($"<title>{System.Net.WebUtility.HtmlEncode(name)}: the wiring</title>", page, StringComparison.Ordinal);
        Assert.Equal(Regex.Count(plain, "<script"), Regex.Count(page, "<script"));
        Assert.InRange(page.Length - plain.Length, 0, 1000);
    }

    private string Record()
    {
        using (Container container = new Wiring
        {
            Scoped.Incoming<Caller>(),
            Singleton.Of<Clock>(),
            Scoped.Of<ILedger, Ledger>(),
            Transient.Of<Planner>(),
            Scoped.Of<Desk>(),
        }.Build())
        {
            using ScopeRecording recording = container.RecordScopes(_file);
            using Scope scope = container.StartScope(Incoming.Value(new Caller("Mira")));
            scope.Resolve<Desk>();
        }

        return File.ReadAllText(_file);
    }
}
