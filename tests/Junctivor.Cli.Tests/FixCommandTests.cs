using System.Text;
using Junctivor.Tests.Shared;
using Microsoft.CodeAnalysis;

namespace Junctivor.Cli.Tests;

public sealed class FixCommandTests : IDisposable
{
    private const string File = "Kiosk.cs";

    private const string Source = """
        using Junctivor;

        public static class Kiosk
        {
            [CheckedWiring]
            public static Wiring Wiring =>
            [
                Singleton.Of<PaperStock>(),
                Singleton.Of<Counter>(),
            ];
        }

        public interface IStock;

        public sealed class PaperStock : IStock;

        public sealed class Counter(IStock stock)
        {
            public IStock Stock => stock;
        }

        """;

    private readonly CompiledFolder _folder = new();

    public void Dispose() => _folder.Dispose();

    [Fact]
    public async Task The_first_fix_is_written_and_the_wiring_is_sound_once_it_is_built()
    {
        string assembly = Compile(Source);

        ProgramRun fix = await Junctivor("fix", assembly);
        ProgramRun check = await Junctivor("check", _folder.CompileFile(File, Library));

        Assert.Equal((0, ""), (fix.Status, fix.Errors));
        Assert.Equal(
            """
            JV101 missing: Counter requires IStock, which is not registered
              fix: add to the registration of PaperStock at Kiosk.cs:8:
                  .Also<IStock>()

            Kiosk.cs
               7       [
               8 -         Singleton.Of<PaperStock>(),
                 +         Singleton.Of<PaperStock>().Also<IStock>(),
               9           Singleton.Of<Counter>(),

            1 of 1 fault fixed. 1 file was written: build, and check again.
            """,
            fix.Output.ReplaceLineEndings("\n").TrimEnd());
        Assert.Equal(Source.Replace("PaperStock>(),", "PaperStock>().Also<IStock>(),", StringComparison.Ordinal), Written());
        Assert.Equal(0, check.Status);
    }

    [Fact]
    public async Task A_dry_run_shows_the_same_and_writes_nothing()
    {
        string assembly = Compile(Source);

        ProgramRun dry = await Junctivor("fix", assembly, "--dry-run");
        ProgramRun real = await Junctivor("fix", assembly);

        Assert.Equal(0, dry.Status);
        Assert.EndsWith("1 of 1 fault can be fixed. Nothing was written (--dry-run).", dry.Output.TrimEnd(), StringComparison.Ordinal);
        Assert.Equal(Lines(dry)[..^1], Lines(real)[..^1]);
    }

    [Fact]
    public async Task A_source_that_has_changed_since_the_build_is_left_alone()
    {
        string assembly = Compile(Source);
        string changed = $"// one line more\n{Source}";
        System.IO.File.WriteAllText(_folder.PathOf(File), changed);

        ProgramRun fix = await Junctivor("fix", assembly);

        Assert.Equal((2, ""), (fix.Status, fix.Output));
        Assert.Contains("Kiosk.cs has changed since the assembly was built: build it again.", fix.Errors, StringComparison.Ordinal);
        Assert.Equal(changed, Written());
    }

    [Fact]
    public async Task An_assembly_without_symbols_says_how_to_get_them()
    {
        string assembly = Compile(Source);
        System.IO.File.Delete(Path.ChangeExtension(assembly, ".pdb"));

        ProgramRun fix = await Junctivor("fix", assembly);

        Assert.Equal((2, ""), (fix.Status, fix.Output));
        Assert.Contains("Kiosk.dll has no symbols: build it with DebugType portable", fix.Errors, StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_only_the_user_knows_is_left_to_the_user()
    {
        string assembly = Compile(Source.Replace("(IStock stock)", "(IStock stock, int coins)", StringComparison.Ordinal));

        ProgramRun fix = await Junctivor("fix", assembly);

        Assert.Equal(1, fix.Status);
        Assert.Contains(
            "JV101 missing: Counter requires int, which is not registered\n"
                + "  not made, because a part of it is to be filled in.\n"
                + "  by hand: add to the registration of Counter at Kiosk.cs:9:\n      .Passing(\"coins\", …)\n",
            fix.Output.ReplaceLineEndings("\n"), StringComparison.Ordinal);
        Assert.Contains("1 of 2 faults fixed. 1 to fix by hand.", fix.Output, StringComparison.Ordinal);
        Assert.Contains(".Also<IStock>()", Written(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_fix_that_cannot_be_made_says_why_and_what_to_do()
    {
        string assembly = Compile(
            Source.Replace("Singleton.Of<PaperStock>()", "Scoped.Of<IStock, PaperStock>()", StringComparison.Ordinal)
                .Replace(
                    "PaperStock : IStock;",
                    "PaperStock : IStock { private int _sheets; public int Take() => ++_sheets; }",
                    StringComparison.Ordinal));

        ProgramRun fix = await Junctivor("fix", assembly);

        Assert.Equal(1, fix.Status);
        Assert.Contains(
            "  not made, because Stock hands on stock itself, beyond the end of its scope.\n  by hand: run each unit of work of Counter",
            fix.Output.ReplaceLineEndings("\n"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Where_the_first_fix_cannot_be_made_the_next_that_is_certain_is()
    {
        string assembly =
            Compile(Source.Replace("Singleton.Of<PaperStock>()", "Scoped.Of<IStock, PaperStock>()", StringComparison.Ordinal));

        ProgramRun fix = await Junctivor("fix", assembly);

        Assert.Equal(0, fix.Status);
        Assert.Contains(
            "  fix: register PaperStock with the lifetime of Counter: it has no state and no scoped dependencies:\n"
                + "      Singleton.Of<IStock, PaperStock>()\n",
            fix.Output.ReplaceLineEndings("\n"), StringComparison.Ordinal);
        Assert.Contains("Singleton.Of<IStock, PaperStock>(),", Written(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_file_keeps_its_encoding_and_its_permissions()
    {
        byte[] source = Encoding.Latin1.GetBytes($"// Geb\u00fchren f\u00fcr B\u00f6te\n{Source}");
        string file = _folder.PathOf(File);
        System.IO.File.WriteAllBytes(file, source);
        if (!OperatingSystem.IsWindows())
        {
            System.IO.File.SetUnixFileMode(file, UnixFileMode.UserRead | UnixFileMode.UserWrite | UnixFileMode.GroupRead);
        }

        string assembly = _folder.CompileFile(File, OutputKind.DynamicallyLinkedLibrary, Encoding.Latin1, Library);

        ProgramRun fix = await Junctivor("fix", assembly);

        Assert.Equal((0, ""), (fix.Status, fix.Errors));
        Assert.Equal(
            Encoding.Latin1.GetString(source).Replace("PaperStock>(),", "PaperStock>().Also<IStock>(),", StringComparison.Ordinal),
            Encoding.Latin1.GetString(System.IO.File.ReadAllBytes(file)));
        Assert.True(OperatingSystem.IsWindows()
            || System.IO.File.GetUnixFileMode(file) == (UnixFileMode.UserRead | UnixFileMode.UserWrite | UnixFileMode.GroupRead));
        Assert.Equal([file], Directory.GetFiles(Path.GetDirectoryName(file)!, "Kiosk.cs*"));
    }

    [Fact]
    public async Task A_link_stays_a_link_and_the_file_behind_it_is_written()
    {
        Assert.SkipWhen(OperatingSystem.IsWindows(), "Links take a privilege there.");
        string behind = Path.Combine(Directory.CreateDirectory(_folder.PathOf("behind")).FullName, "Real.cs");
        System.IO.File.WriteAllText(behind, Source);
        System.IO.File.CreateSymbolicLink(_folder.PathOf(File), behind);
        string assembly = _folder.CompileFile(File, Library);

        ProgramRun fix = await Junctivor("fix", assembly);

        Assert.Equal(0, fix.Status);
        Assert.Equal(behind, new FileInfo(_folder.PathOf(File)).LinkTarget);
        Assert.Contains(".Also<IStock>()", System.IO.File.ReadAllText(behind), StringComparison.Ordinal);
        Assert.Contains(
            $"Kiosk.cs is a symbolic link: {behind} is the file that is written.", fix.Output, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_read_only_file_is_not_written_and_said()
    {
        string assembly = Compile(Source);
        new FileInfo(_folder.PathOf(File)).IsReadOnly = true;

        ProgramRun fix = await Junctivor("fix", assembly);

        Assert.Equal(2, fix.Status);
        Assert.Contains(
            "Kiosk.cs is read-only: nothing was written; make it writable, and run the command again.",
            fix.Errors,
            StringComparison.Ordinal);
        Assert.Equal(Source, Written());
        new FileInfo(_folder.PathOf(File)).IsReadOnly = false;
    }

    [Fact]
    public async Task What_stands_beside_a_registration_that_is_moved_stays()
    {
        string source = """
            using Junctivor;

            public static class Kiosk
            {
                [CheckedWiring]
                public static Wiring Wiring =>
                [
                    Singleton.Of<Counter>(),
                    Singleton.Of<Chair>(),
                    Singleton.Of<Chair>(), // a second time by mistake
            #if WINDOWS
                    Singleton.Of<Bell>(),
            #endif
                    // The next one must stay last.
                    Singleton.Of<Till>(),
                ];
            }

            public sealed class Chair;

            public sealed class Till;

            public sealed record Counter(Chair Chair, Till Till);

            """;
        string assembly = Compile(source);

        await Junctivor("fix", assembly, "--strict");

        Assert.All(
            [
                "#if WINDOWS\n        Singleton.Of<Bell>(),\n#endif\n        // The next one must stay last.\n",
                "// a second time by mistake",
            ],
            kept => Assert.Contains(kept, Written().ReplaceLineEndings("\n"), StringComparison.Ordinal));
    }

    [Fact]
    public async Task What_another_configuration_would_not_compile_is_not_written()
    {
        string source = Source
            .Replace("public interface IStock;", "#if !LATER\npublic interface IStock;\n#endif", StringComparison.Ordinal)
            .Replace("PaperStock : IStock;", "PaperStock\n#if !LATER\n: IStock\n#endif\n;", StringComparison.Ordinal)
            .Replace(
                "public sealed class Counter",
                "#if LATER\npublic sealed class Counter;\n#else\npublic sealed class Counter",
                StringComparison.Ordinal)
            + "#endif\n";
        string assembly = Compile(source);

        ProgramRun fix = await Junctivor("fix", assembly);

        Assert.Equal(1, fix.Status);
        Assert.Contains("LATER", fix.Output, StringComparison.Ordinal);
        Assert.Equal(source, Written());
    }

    [Fact]
    public async Task A_wiring_of_a_program_without_a_class_is_fixed()
    {
        string source = """
            using Junctivor;

            Wiring wiring =
            [
                Singleton.Of<PaperStock>(),
                Singleton.Of<Counter>(),
            ];
            using Container container = wiring.Build();

            public interface IStock;

            public sealed class PaperStock : IStock;

            public sealed record Counter(IStock Stock);

            """;
        System.IO.File.WriteAllText(_folder.PathOf(File), source);
        string assembly = _folder.CompileFile(File, OutputKind.ConsoleApplication, null, Library);

        ProgramRun fix = await Junctivor("fix", assembly);

        Assert.Equal((0, ""), (fix.Status, fix.Errors));
        Assert.Equal(source.Replace("<PaperStock>(),", "<PaperStock>().Also<IStock>(),", StringComparison.Ordinal), Written());
    }

    [Fact]
    public async Task Line_breaks_and_the_byte_order_mark_stay_as_they_are()
    {
        byte[] source = [.. Encoding.UTF8.Preamble, .. Encoding.UTF8.GetBytes(Source.ReplaceLineEndings("\r\n"))];
        System.IO.File.WriteAllBytes(_folder.PathOf(File), source);
        string assembly = _folder.CompileFile(File, Library);

        await Junctivor("fix", assembly);

        Assert.Contains(".Also<IStock>()", Written(), StringComparison.Ordinal);
        byte[] written = System.IO.File.ReadAllBytes(_folder.PathOf(File));
        Assert.Equal(Encoding.UTF8.Preamble.ToArray(), written[..3]);
        Assert.DoesNotContain(
            "\n", Encoding.UTF8.GetString(written).Replace("\r\n", "", StringComparison.Ordinal), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Where_there_are_no_faults_nothing_is_fixed()
    {
        string assembly = Compile(Source.Replace("PaperStock>()", "IStock, PaperStock>()", StringComparison.Ordinal));

        ProgramRun fix = await Junctivor("fix", assembly);

        Assert.Equal((0, "No faults: nothing to fix."), (fix.Status, fix.Output.TrimEnd()));
    }

    [Fact]
    public async Task Warnings_are_fixed_where_they_count_as_faults()
    {
        string assembly = Compile(Source.Replace("<PaperStock>()", "<IStock, PaperStock>()", StringComparison.Ordinal)
            .Replace("<Counter>()", "<Counter>().Accept(\"JV204\", reason: \"There was another one.\")", StringComparison.Ordinal));

        ProgramRun lenient = await Junctivor("fix", assembly);
        ProgramRun strict = await Junctivor("fix", assembly, "--strict");

        Assert.Equal("No faults: nothing to fix.", lenient.Output.TrimEnd());
        Assert.Contains(
            "JV504 accepts-nothing: Counter accepts JV204 registered-twice, but does not have it", strict.Output, StringComparison.Ordinal);
        Assert.DoesNotContain("Accept", Written(), StringComparison.Ordinal);
    }

    private static string Library => Path.Combine(AppContext.BaseDirectory, "Junctivor.dll");

    private string Compile(string source)
    {
        System.IO.File.WriteAllText(_folder.PathOf(File), source);
        return _folder.CompileFile(File, Library);
    }

    private string Written() => System.IO.File.ReadAllText(_folder.PathOf(File));

    private static string[] Lines(ProgramRun run) => run.Output.ReplaceLineEndings("\n").TrimEnd().Split('\n');

    private static Task<ProgramRun> Junctivor(params string[] words) => ProgramRun.Of("src/Junctivor.Cli", words);
}
