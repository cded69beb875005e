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

            private static void MapTides(this IEndpointRouteBuilder routes) => routes.MapGet("/t", (ITides tides) => $"{tides}");

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
        public sealed class TidePages : IContributesEndpoints
        {
            public void Contribute(IEndpointRouteBuilder routes) => routes.MapGet("/t", ([FromServices] ITides tides) => $"{tides}");
        }
        public sealed class Day { public static bool TryParse(string text, out Day? day) { day = new(); return true; } }
        public sealed class Bound { public static ValueTask<Bound?> BindAsync(Microsoft.AspNetCore.Http.HttpContext context) => new(new Bound()); }
        [System.Text.Json.Serialization.JsonDerivedType(typeof(Circle))] public interface IShape;
        public sealed class Circle : IShape;
        """;

    /// <summary>Where the host has its attribute for services with a key: beside the type of its own registrations.</summary>
    private static readonly string Keys =
        typeof(Microsoft.AspNetCore.Builder.WebApplicationBuilder).GetProperty("Services")!.PropertyType.Namespace!;

    private static readonly string Services =
        typeof(Microsoft.AspNetCore.Builder.WebApplicationBuilder).GetProperty("Services")!.PropertyType.FullName!;

    private const string Tides = "app.MapGet(\"/tides\", ([FromServices] ITides tides) => $\"{tides}\");";

    private const string TakesDesk = "([FromServices] Desk desk) => $\"{desk}\"";

    /// <summary>Entries of the wiring, routes, and what is found.</summary>
    public static TheoryData<string, string, string> Programs => new()
    {
        { "Singleton.Of<ITides, Almanac>()", Tides, "" },
        { "Singleton.Of<Almanac>()", Tides, "JV101 at MapGet" },
        { "Singleton.Of<ITides, Almanac>(), Singleton.Of<ITides, Charts>()", Tides, "JV202 at Singleton.Of<ITides, Charts>()" },
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

        // A request without a body has no other class to give than a service.
        { "Singleton.Of<Almanac>()", "app.MapWired(container).MapGet(\"/d\", (Desk desk) => $\"{desk}\");", "JV101 at MapGet" },
        { "Singleton.Of<Almanac>()", "app.MapWired(container).MapDelete(\"/d\", (Desk desk) => $\"{desk}\");", "JV101 at MapDelete" },
        { "Singleton.Of<Almanac>()", "app.MapGet(\"/d\", (Day day, Bound bound) => $\"{day} {bound}\");", "" },
        { "Singleton.Of<Almanac>()", "app.MapPost(\"/d\", (IShape shape) => $\"{shape}\");", "" },

        // The methods around a call lead to it.
        { "Singleton.Of<Almanac>()", "app.MapWired(container).MapTides();", "JV101 at MapGet" },
        { "Singleton.Of<Almanac>()", "if (app.Environment.EnvironmentName == \"Test\") { app.MapWired(container).MapTides(); }", "" },
        { "Singleton.Of<Almanac>()", "foreach (string day in new[] { \"a\" }) { app.MapWired(container).MapTides(); }", "" },
        { "Singleton.Of<Almanac>()", "Action<IEndpointRouteBuilder> map = routes => routes.MapTides();", "" },
        { "Singleton.Of<Almanac>()", "", "" },

        // Endpoints of modules are mapped if the wiring has the module, and the program maps them.
        { "Singleton.Of<IContributesEndpoints, TidePages>()", "app.MapWiredEndpoints(container);", "JV101 at MapGet" },
        { "Singleton.Of<IContributesEndpoints, TidePages>().Enabled(false)", "app.MapWiredEndpoints(container);", "" },
        { "Singleton.Of<Almanac>()", "app.MapWiredEndpoints(container);", "" },
        { "Singleton.Of<IContributesEndpoints, TidePages>()", "", "" },

        // Another container may serve them.
        { "Singleton.Of<Almanac>()", $"await using WebApplication other = builder.Build(); await using Container second = new Wiring {{ Singleton.Of<ITides, Charts>() }}.Build(); other.UseJunctivor(second); other.MapGet(\"/t\", (ITides tides) => $\"{{tides}}\");", "" },
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

    /// <summary>What the compiler writes on types and parameters says nothing of them.</summary>
    [Theory]
    [InlineData("app.MapWired(container).MapGet(\"/t\", (ITides tides) => $\"{tides}\");", "JV101 at MapGet")]
    [InlineData("app.MapWired(container).MapGet(\"/t\", Module.Shown);", "JV101 at MapGet")]
    [InlineData("app.MapWired(container).MapGet(\"/t\", (Buoy buoy) => $\"{buoy}\");", "JV101 at MapGet")]
    [InlineData("app.MapWired(container).MapPost(\"/t\", (Buoy buoy) => $\"{buoy}\");", "")]
    [InlineData("builder.AddHarbour(); app.MapWired(container).MapGet(\"/t\", (ITides tides) => $\"{tides}\");", "")]
    [InlineData("builder.Services.AddTides(); app.MapWired(container).MapGet(\"/t\", (ITides tides) => $\"{tides}\");", "")]
    public void Types_of_another_project_are_known(string routes, string found)
    {
        AnalyzedSource module = AnalyzedSource.OfModule(("/Module.cs", $$"""
            #nullable enable
            namespace Harbour;
            public interface ITides { string? Name { get; } }
            public class Buoy { public string? Name => null; public object? Other(object? one) => one; }
            public static class Module
            {
                public static string Shown(ITides tides) => $"{tides.Name}";
                public static void AddHarbour(this Microsoft.AspNetCore.Builder.WebApplicationBuilder builder) { }
                public static void AddTides(this {{Services}} services) { }
            }
            """));
        AnalyzedSource source = module.ReferencedBy(("/Program.cs", $$"""
            using Harbour;
            using Microsoft.AspNetCore.Builder;
            public static class Program
            {
                public static async Task Main()
                {
                    WebApplicationBuilder builder = WebApplication.CreateBuilder();
                    await using Container container = new Wiring { Scoped.Of<Ledger>() }.Build();
                    await using WebApplication app = builder.Build();
                    app.UseJunctivor(container);
                    {{routes}}
                    await app.RunWiredAsync(container);
                }
            }
            public sealed class Ledger;
            """));

        Assert.Equal(found, FoundIn(source));
        Assert.Equal(found, FoundIn(source.InEditor()));
    }

    [Theory]
    [InlineData("await container.RunWiredAsync<Desk>((desk, _) => Task.CompletedTask);", "", "JV101 at RunWiredAsync<Desk>")]
    [InlineData("await container.RunWiredAsync((Desk desk, CancellationToken _) => Task.CompletedTask);", "", "JV101 at RunWiredAsync")]
    [InlineData("await container.RunWiredAsync<Desk>((desk, _) => Task.CompletedTask);", ", Scoped.Of<Desk>()", "")]
    [InlineData("if (DateTime.Now.Hour > 3) { await container.RunWiredAsync<Desk>((desk, _) => Task.CompletedTask); }", "", "")]
    public void What_a_program_runs_must_be_registered(string run, string entry, string found) => Assert.Equal(found, FoundIn(
        AnalyzedSource.OfText($$"""
            public static class Program
            {
                public static async Task Main()
                {
                    await using Container container = new Wiring { Scoped.Of<Ledger>(){{entry}} }.Build();
                    {{run}}
                }
            }
            public sealed class Ledger;
            public sealed class Desk(Ledger ledger) { public object Ledger => ledger; }
            """)));

    [Fact]
    public void Only_the_wiring_that_serves_requests_is_meant()
    {
        string text = Written("Singleton.Of<Almanac>()", Tides).Replace("app.UseJunctivor(container);", "", StringComparison.Ordinal);

        Assert.Equal("", FoundIn(text));
    }

    [Fact]
    public async Task The_fault_names_the_endpoint_and_can_be_fixed()
    {
        EditedProject project = EditedProject.Of("/Program.cs", Written("Singleton.Of<Almanac>()", Tides));
        Diagnostic found = Assert.Single(await project.AnalyzeAsync());

        EditedProject edited = await project.WithAsync((await project.FixesOfAsync(found))[0]);

        Assert.Equal(
            """
            JV101 missing: MapGet("/tides") requires ITides, which is not registered
              MapGet("/tides")   scoped           Program.cs:15
              └─ tides: ITides   not registered
              Almanac implements it, but is registered at Program.cs:26 only as itself.
              Fix: add to the registration of Almanac at Program.cs:26:
                     .Also<ITides>()
              More: junctivor fault JV101, or https://junctivor.example/faults/jv101
            """,
            AnalyzedSource.TextOf(found));
        Assert.Equal(Written("Singleton.Of<Almanac>().Also<ITides>()", Tides), await edited.TextAsync());
        Assert.Empty(await edited.AnalyzeAsync());
    }

    private static string FoundIn(string text) => FoundIn(AnalyzedSource.OfText(text));

    private static string FoundIn(AnalyzedSource source) => string.Join(", ", source.Analyze().Select(each =>
        $"{each.Id} at {each.Location.SourceTree!.ToString()[each.Location.SourceSpan.Start..each.Location.SourceSpan.End]}"));

    private static string Written(string entries, string routes) => Frame
        .Replace("KEYS", Keys, StringComparison.Ordinal)
        .Replace("ENTRIES", entries, StringComparison.Ordinal)
        .Replace("ROUTES", routes, StringComparison.Ordinal);
}
