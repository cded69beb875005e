using System.Diagnostics;
using System.Text.Json;
using Junctivor.Tests.Shared;

namespace Junctivor.Cli.Tests;

/// <summary>What requests services from outside a wiring is part of what the command reads, if the assembly says what that is.</summary>
public sealed class EntryPointTests : IDisposable
{
    private const string Office = """
        using System.Collections.Generic;
        using Junctivor;

        public static class Office
        {
            [CheckedWiring("office")]
            public static Wiring Wiring =>
            [
                Scoped.Of<Desk>(),
                Singleton.Of<Buoy>().ResolvedDirectly(),
            ];

            MORE
        }

        public sealed class Desk;

        public sealed class Buoy;

        public sealed class Crane;

        public sealed class Leak : System.IDisposable { public void Dispose() => throw new System.FormatException("The pump is stuck"); }

        """;

    private const string Sound = """
        [CheckedEntryPoints]
        public static IReadOnlyList<EntryPoint> Requested(Container container) =>
            [new("GET /berths") { Services = [new RequestedService(typeof(Desk), container.Knows<Desk>() ? "desk" : "none")] }];
        """;

    private const string Lacking = """
        [CheckedEntryPoints("office")]
        public static EntryPoint[] Lacking() => [new("GET /cranes") { Services = [new RequestedService(typeof(Crane), "crane")] }];
        """;

    private const string Second = """
        [CheckedWiring("rehearsal")]
        public static Wiring Rehearsal => [Singleton.Of<Desk>()];
        """;

    private static readonly string Harbour = ProgramRun.OutputOf("examples/Harbour");

    private readonly CompiledFolder _folder = new();

    public void Dispose() => _folder.Dispose();

    [Fact]
    public async Task What_they_request_counts_as_used_and_what_they_miss_is_missing()
    {
        ProgramRun without = await Check("");
        ProgramRun sound = await Check(Sound);
        ProgramRun lacking = await Check(Sound + Lacking);

        Assert.Contains("JV501 unreachable (warning): Desk", without.Output, StringComparison.Ordinal);
        Assert.Equal((0, "office: sound  (2 registrations, 1 entry point)\n", ""), (sound.Status, sound.Output, sound.Errors));
        Assert.Equal((1, ""), (lacking.Status, lacking.Errors));
        Assert.StartsWith("office: 1 error  (2 registrations, 2 entry points)\n", lacking.Output, StringComparison.Ordinal);
        Assert.Contains(
            "JV101 missing: GET /cranes requires Crane, which is not registered", lacking.Output, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("[CheckedEntryPoints(\"offce\")] public static EntryPoint[] Named() => [];",
        "Office.Named names a wiring 'offce', but there is only office.")]
    [InlineData("[CheckedEntryPoints] public static int Number() => 1;",
        "Office.Number has [CheckedEntryPoints], but is not a public static method that takes nothing or a Container, and returns a list of "
            + "EntryPoint.")]
    [InlineData("[CheckedEntryPoints] public static EntryPoint[] Many(Wiring wiring) => [];",
        "Office.Many has [CheckedEntryPoints], but is not a public static method that takes nothing or a Container, and returns a list of "
            + "EntryPoint.")]
    [InlineData("[CheckedEntryPoints] public static EntryPoint[] None() => null;", "Office.None returned null instead of entry points.")]
    [InlineData("[CheckedEntryPoints] public static EntryPoint[] Failing() => throw new System.FormatException(\"The tide is out\");",
        "Office.Failing threw FormatException: The tide is out. The wiring is checked without its entry points.")]
    [InlineData("[CheckedEntryPoints] public static EntryPoint[] Some() => [null];", "Office.Some returned null instead of entry points.")]
    [InlineData(
        "[CheckedEntryPoints] public static IEnumerable<EntryPoint> Late() { yield return new(\"a\"); throw new System.FormatException(\"Ebb\"); }",
        "Office.Late threw FormatException: Ebb. The wiring is checked without its entry points.")]
    [InlineData("[CheckedEntryPoints] public static EntryPoint[] Early(Container container) => [container.Resolve<EntryPoint>()];",
        "Office.Early threw ResolveException: JV101 missing: EntryPoint cannot be resolved: it is not registered. The wiring is checked "
            + "without its entry points.")]
    public async Task What_cannot_be_read_is_one_line_and_the_rest_is_checked(string method, string line)
    {
        ProgramRun run = await Check(Lacking + method);

        Assert.Equal((2, $"junctivor: Office.dll: {line}\n"), (run.Status, run.Errors));
        Assert.Contains("JV101 missing: GET /cranes requires Crane", run.Output, StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_was_created_meanwhile_and_cannot_be_disposed_keeps_nothing_from_being_checked()
    {
        string assembly = Compile("""
            [CheckedWiring("leaking")]
            public static Wiring Leaking => [Singleton.Of<Leak>()];

            [CheckedEntryPoints("leaking")]
            public static EntryPoint[] Left(Container container) =>
                [new($"GET /{container.Resolve<Leak>().GetType().Name}") { Services = [new RequestedService(typeof(Crane), "crane")] }];
            """);

        ProgramRun run = await Run("check", assembly, "--wiring", "leaking");

        Assert.Equal(
            (2, "junctivor: Office.dll: what was created to read the entry points of leaking cannot be disposed: The pump is stuck.\n"),
            (run.Status, run.Errors));
        Assert.Contains("JV101 missing: GET /Leak requires Crane", run.Output, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Of_several_wirings_one_is_named()
    {
        ProgramRun unnamed = await Check(Second + Sound);
        ProgramRun named = await Check(Second + Lacking);
        ProgramRun other = await Run("check", Compile(Second + Lacking), "--wiring", "rehearsal");

        Assert.Equal(
            (2, "junctivor: Office.dll: Office.Requested does not name the wiring of its entry points: write "
                + "[CheckedEntryPoints(\"office\")], or another of office, rehearsal.\n"),
            (unnamed.Status, unnamed.Errors));
        Assert.Contains("office: 1 error, 1 warning  (2 registrations, 1 entry point)", named.Output, StringComparison.Ordinal);
        Assert.Contains("rehearsal: sound  (1 registration)", named.Output, StringComparison.Ordinal);
        Assert.Equal((0, "rehearsal: sound  (1 registration)\n"), (other.Status, other.Output));
    }

    [Fact]
    public async Task What_only_they_miss_is_fixed_in_the_wiring()
    {
        string assembly = Compile(Sound + Lacking);

        ProgramRun fix = await Run("fix", assembly);

        Assert.Equal((0, ""), (fix.Status, fix.Errors));
        Assert.Contains(
            "Singleton.Of<Buoy>().ResolvedDirectly(),\n        Scoped.Of<Crane>(),\n", await File.ReadAllTextAsync(
                _folder.PathOf("Office.cs"), TestContext.Current.CancellationToken), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Controllers_pages_and_hubs_are_found_as_the_application_finds_them()
    {
        ProgramRun run = await Run("why", ProgramRun.OutputOf("examples/Frameworks"), "BerthLedger");

        Assert.Equal((0, ""), (run.Status, run.Errors));
        Assert.All(
            ["GET /berths", "DepartureBoardService", "DepartureHub", "BerthController", "QuayModel"],
            name => Assert.Matches($" {name} +entry point +by ", run.Output));
    }

    [Fact]
    public async Task Code_finds_the_folder_and_the_name_of_its_own_program()
    {
        ProgramRun run = await Check("""
            [CheckedEntryPoints]
            public static EntryPoint[] Failing() => throw new System.FormatException(
                System.Reflection.Assembly.GetEntryAssembly().GetName().Name + " in " + System.AppContext.BaseDirectory);
            """);

        Assert.Contains($"FormatException: Office in {_folder.PathOf("")}", run.Errors, StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_endpoints_of_an_application_are_read_without_starting_it()
    {
        ProgramRun check = await Run("check", Harbour, "--format", "json");
        ProgramRun why = await Run("why", Harbour, "DepartureDesk", "--wiring", "office");
        ProgramRun draw = await Run("draw", Harbour, "--wiring", "office", "--around", "DepartureDesk", "--format", "mermaid");
        ProgramRun compare = await Run("compare", $"{Harbour}@office", $"{Harbour}@rehearsal", "--format", "json");

        Assert.Equal((0, ""), (check.Status, check.Errors));
        using JsonDocument report = JsonDocument.Parse(check.Output);
        Assert.Equal(9, report.RootElement.GetProperty("wirings")[0].GetProperty("entryPoints").GetInt32());
        Assert.Matches(
            @"What depends on it\n└─ POST /departures +entry point +by desk: DepartureDesk +Web/HarbourEndpoints.cs:\d+\n", why.Output);
        Assert.Matches(@"n\d+>""POST /departures<br/>entry point""\]", draw.Output);
        Assert.DoesNotContain("GET /", compare.Output, StringComparison.Ordinal);
    }

    private string Compile(string more)
    {
        File.WriteAllText(_folder.PathOf("Office.cs"), Office.Replace("MORE", more, StringComparison.Ordinal));
        return _folder.CompileFile("Office.cs", typeof(Wiring).Assembly.Location);
    }

    private Task<ProgramRun> Check(string more) => Run("check", Compile(more));

    private static async Task<ProgramRun> Run(params string[] call)
    {
        ProgramRun run = await ProgramRun.OfProgram(
            new ProcessStartInfo("dotnet", [ProgramRun.OutputOf("src/Junctivor.Cli"), .. call]) { Environment = { ["COLUMNS"] = "120" } }, "");
        return run with { Output = run.Output.ReplaceLineEndings("\n"), Errors = run.Errors.ReplaceLineEndings("\n") };
    }
}
