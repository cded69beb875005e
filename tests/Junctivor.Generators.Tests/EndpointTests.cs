using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Tests;

/// <summary>What the handlers of endpoints take is required of the wiring that serves requests.</summary>
public class EndpointTests
{
    private const string Frame = """
        using Microsoft.AspNetCore.Builder;
        using Microsoft.AspNetCore.Mvc;
        using Microsoft.AspNetCore.Routing;
        using KEYS;
        using Microsoft.Extensions.Logging;

        public static class Program
        {
            public static async Task Main()
            {
                WebApplicationBuilder builder = WebApplication.CreateBuilder();
                await using Container container = Office.Wiring.Build();
                await using WebApplication app = builder.Build();
                app.UseJunctivor(container);
                ROUTES
                await app.RunWiredAsync(container);
            }

            private static string Berths([FromServices] Ledger ledger, string day) => $"{ledger} {day}";
        }

        public static class Office
        {
            public static Wiring Wiring => [Scoped.Of<Ledger>(), ENTRIES];
        }

        public interface ITides;
        public sealed class Almanac : ITides;
        public sealed class Charts : ITides;
        public sealed class Ledger;
        public sealed class Desk(Ledger ledger) { public object Ledger => ledger; }
        public sealed class Pages : IContributesEndpoints { public void Contribute(IEndpointRouteBuilder routes) { } }
        """;

    /// <summary>Where the host has its attribute for services with a key: beside the type of its own registrations.</summary>
    private static readonly string Keys =
        typeof(Microsoft.AspNetCore.Builder.WebApplicationBuilder).GetProperty("Services")!.PropertyType.Namespace!;

    private const string Tides = "app.MapGet(\"/tides\", ([FromServices] ITides tides) => $\"{tides}\");";

    private const string TakesDesk = "([FromServices] Desk desk) => $\"{desk}\"";

    /// <summary>Entries of the wiring, routes, and what is found.</summary>
    public static TheoryData<string, string, string> Programs => new()
    {
        { "Singleton.Of<ITides, Almanac>()", Tides, "" },
        { "Singleton.Of<Almanac>()", Tides, "JV101 at MapGet" },
        { "Singleton.Of<ITides, Almanac>(), Singleton.Of<ITides, Charts>()", Tides, "JV202 at MapGet" },
        { "Singleton.Of<Almanac>()", $"app.MapGroup(\"/a\").MapPost(\"/b\", {TakesDesk});", "JV101 at MapPost" },
        { "Singleton.Of<Almanac>()", "app.MapGet(\"/tides\", ([FromServices] ITides? tides) => $\"{tides}\");", "" },
        { "Singleton.Of<Almanac>()", "app.MapGet(\"/all\", ([FromServices] IEnumerable<ITides> tides) => $\"{tides}\");", "" },
        { "Singleton.Of<Almanac>()", "app.MapGet(\"/log\", ([FromServices] ILogger<Ledger> log) => $\"{log}\");", "" },
        { "Singleton.Of<Almanac>()", "app.MapWired(container).MapGet(\"/t\", (ITides tides) => $\"{tides}\");", "JV101 at MapGet" },
        { "Singleton.Of<ITides, Almanac>()", "app.MapWired(container).MapGet(\"/t\", (ITides tides) => $\"{tides}\");", "" },
        { "Singleton.Of<Almanac>()", "app.MapWired(container).MapPost(\"/d\", (Charts charts) => $\"{charts}\");", "" },
        { "Scoped.Of<Desk>(), Singleton.Of<Almanac>().ResolvedDirectly()", "app.MapWired(container).MapGet(\"/d\", (Desk desk) => $\"{desk}\");", "" },
        { "Singleton.Value(3).Marked(\"north\")", "app.MapGet(\"/k\", ([FromKeyedServicesAttribute(\"north\")] int depth) => depth);", "" },
        { "Singleton.Value(new Almanac()).Marked(\"north\")", "app.MapGet(\"/k\", ([FromKeyedServicesAttribute(\"nort\")] Almanac depth) => $\"{depth}\");", "JV101 at MapGet" },
        { "Singleton.Of<Almanac>()", "app.MapGet(\"/day\", (string day) => day);", "" },
        { "Singleton.Of<Almanac>()", "app.MapGet(\"/berths\", Berths);", "" },
        { "Singleton.Of<Almanac>().ResolvedDirectly(), Singleton.Of<IContributesEndpoints, Pages>()", "app.MapGet(\"/berths\", Berths);", "JV501 at Singleton.Of<IContributesEndpoints, Pages>()" },
        { "Singleton.Of<Almanac>().ResolvedDirectly(), Singleton.Of<IContributesEndpoints, Pages>()", "app.MapWiredEndpoints(container); app.MapGet(\"/berths\", Berths);", "" },
        { "Scoped.Of<Desk>(), Singleton.Of<Almanac>()", "app.MapWiredEndpoints(container);", "" },
        { "Singleton.Of<Almanac>().ResolvedDirectly()", "", "JV501 at Scoped.Of<Ledger>()" },
        { "Singleton.Of<Almanac>().ResolvedDirectly()", "app.MapGet(\"/berths\", Berths);", "" },
        { "Scoped.Of<Desk>(), Singleton.Of<Almanac>().ResolvedDirectly()", $"app.MapGet(\"/desk\", {TakesDesk});", "" },
    };

    [Theory]
    [MemberData(nameof(Programs))]
    public void What_they_take_must_be_registered(string entries, string routes, string found) =>
        Assert.Equal(found, FoundIn(Written(entries, routes)));

    [Theory]
    [InlineData("app.UseMiddleware<ITides>();")]
    [InlineData("app.UseMiddleware(typeof(ITides));")]
    public void What_the_framework_is_told_of_need_not_be(string told) =>
        Assert.Equal("", FoundIn(Written("Singleton.Of<Almanac>()", $"{told}\n{Tides}")));

    [Fact]
    public void Only_the_wiring_that_serves_requests_is_meant()
    {
        string text = Written("Singleton.Of<Almanac>()", Tides).Replace("app.UseJunctivor(container);", "", StringComparison.Ordinal);

        Assert.Equal("", FoundIn(text));
    }

    [Fact]
    public async Task The_fault_names_the_endpoint_and_can_be_mended()
    {
        EditedProject project = EditedProject.Of("/Program.cs", Written("Singleton.Of<Almanac>()", Tides));
        Diagnostic found = Assert.Single(await project.AnalyzeAsync());

        EditedProject mended = await project.WithAsync((await project.FixesOfAsync(found))[0]);

        Assert.Equal(
            """
            JV101 missing: MapGet("/tides") requires ITides, which is not registered
              MapGet("/tides")   scoped           Program.cs:15
              └─ tides: ITides   not registered
              Almanac implements it, but is registered at Program.cs:24 only as itself.
              Fix: add to the registration of Almanac at Program.cs:24:
                     .Also<ITides>()
              More: junctivor fault JV101, or https://junctivor.example/faults/jv101
            """,
            AnalyzedSource.TextOf(found));
        Assert.Equal(Written("Singleton.Of<Almanac>().Also<ITides>()", Tides), await mended.TextAsync());
        Assert.Empty(await mended.AnalyzeAsync());
    }

    private static string FoundIn(string text) => string.Join(", ", AnalyzedSource.OfText(text).Analyze().Select(each =>
        $"{each.Id} at {each.Location.SourceTree!.ToString()[each.Location.SourceSpan.Start..each.Location.SourceSpan.End]}"));

    private static string Written(string entries, string routes) => Frame
        .Replace("KEYS", Keys, StringComparison.Ordinal)
        .Replace("ENTRIES", entries, StringComparison.Ordinal)
        .Replace("ROUTES", routes, StringComparison.Ordinal);
}
