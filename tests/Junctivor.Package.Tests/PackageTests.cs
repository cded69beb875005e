using System.Globalization;
using System.IO.Compression;
using System.Reflection.Metadata;
using System.Reflection.PortableExecutable;
using System.Text;
using Junctivor.Tests.Shared;

namespace Junctivor.Package.Tests;

public sealed class PackageTests(PackedLibrary packed)
{
    private const string Portable = "lib/net10.0/Junctivor.dll";

    /// <summary>The program has a hundred constructors and three more methods; what else is compiled is of the base class
    /// library.</summary>
    private const int MostMethodsCompiled = 110;

    [Fact]
    public void The_library_is_precompiled_for_the_common_platforms_from_its_portable_file()
    {
        using ZipArchive package = ZipFile.OpenRead(packed.File);

        (bool isPrecompiled, Guid portable) = Read(package, Portable);
        Assert.False(isPrecompiled);
        Assert.Equal(
            ["linux-arm64", "linux-x64", "osx-arm64", "win-x64"],
            package.Entries.Where(entry => entry.FullName.StartsWith("runtimes/", StringComparison.Ordinal))
                .Select(entry => entry.FullName.Split('/')[1])
                .Order(StringComparer.Ordinal));
        Assert.All(
            package.Entries.Where(entry => entry.FullName.StartsWith("runtimes/", StringComparison.Ordinal)),
            entry => Assert.Equal((true, portable), Read(package, entry.FullName)));
    }

    [Fact]
    public async Task A_program_that_installs_it_compiles_hardly_a_method_of_the_library()
    {
        string folder = Path.Combine(packed.Folder, "program");
        Directory.CreateDirectory(folder);
        string sources = Path.Combine(PackedLibrary.RepositoryRoot, "benchmarks", "Start");
        string emitted = Path.Combine(PackedLibrary.RepositoryRoot, "benchmarks", "Junctivor.Benchmarks", "Services", "EmittedClasses.cs");
        foreach (string file in Directory.EnumerateFiles(sources, "*.cs").Append(emitted))
        {
            File.Copy(file, Path.Combine(folder, Path.GetFileName(file)));
        }

        await WriteProjectAsync(folder);
        await PackedLibrary.RunAsync(folder, "dotnet", "build", "-c", "Release", "-o", "out");

        int byHand = await MethodsCompiledAsync(folder, "by-hand");
        int wired = await MethodsCompiledAsync(folder, "wired");

        Assert.InRange(wired, 100, MostMethodsCompiled);
        Assert.True(wired < byHand, $"{wired} methods were compiled with the container, and {byHand} by hand.");
    }

    [Fact]
    public async Task A_program_that_installs_it_is_checked_by_the_compiler()
    {
        string folder = Path.Combine(packed.Folder, "faulty");
        Directory.CreateDirectory(folder);
        await WriteProjectAsync(folder);
        await File.WriteAllTextAsync(Path.Combine(folder, "Program.cs"), """
            using Junctivor;

            Wiring wiring =
            [
                Singleton.Of<AlmanacTideTable>(),
                Transient.Of<BerthPlanner>().ResolvedDirectly(),
                Singleton.Of<NightlyInvoicing>().ResolvedDirectly(),
                Scoped.Of<BerthLedger>(),
            ];
            using Container container = wiring.Build();

            public interface ITideTable;
            public sealed class AlmanacTideTable : ITideTable;
            public sealed class BerthPlanner(ITideTable tides) { public object Tides => tides; }
            public sealed class BerthLedger;
            public sealed class NightlyInvoicing(BerthLedger ledger) { public object Ledger => ledger; }
            """, TestContext.Current.CancellationToken);
        string[] build = ["build", "-warnaserror", "-clp:NoSummary", "--nologo", "-v", "quiet"];

        InvalidOperationException failed = await Assert.ThrowsAsync<InvalidOperationException>(
            () => PackedLibrary.RunAsync(folder, "dotnet", build));
        Assert.All(
            ["Program.cs(6,5): error JV101: BerthPlanner requires ITideTable, which is not registered.",
                "Program.cs(7,5): error JV301: NightlyInvoicing (singleton) holds BerthLedger (scoped)."],
            (string expected) => Assert.Contains(expected, failed.Message, StringComparison.Ordinal));
        // CS8032, CS9057: an analyzer that the compiler leaves out.
        Assert.DoesNotContain("CS", failed.Message.Replace("/cs/", "", StringComparison.Ordinal), StringComparison.Ordinal);

        await File.WriteAllTextAsync(Path.Combine(folder, ".editorconfig"), """
            root = true
            [*.cs]
            dotnet_diagnostic.JV101.severity = none
            dotnet_diagnostic.JV301.severity = suggestion
            """, TestContext.Current.CancellationToken);
        Assert.DoesNotContain("JV", await PackedLibrary.RunAsync(folder, "dotnet", build), StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_it_compiles_in_passes_the_strictest_analysis()
    {
        string folder = Path.Combine(packed.Folder, "strict");
        Directory.CreateDirectory(folder);
        await WriteProjectAsync(folder);
        await File.WriteAllTextAsync(Path.Combine(folder, "Directory.Build.props"), """
            <Project>
              <PropertyGroup>
                <PublishAot>true</PublishAot>
                <AnalysisMode>All</AnalysisMode>
                <TreatWarningsAsErrors>true</TreatWarningsAsErrors>
                <EnforceCodeStyleInBuild>true</EnforceCodeStyleInBuild>
                <GenerateDocumentationFile>true</GenerateDocumentationFile>
                <NoWarn>$(NoWarn);CA1812;CA2007</NoWarn>
              </PropertyGroup>
            </Project>
            """, TestContext.Current.CancellationToken);
        await File.WriteAllTextAsync(Path.Combine(folder, ".editorconfig"), """
            root = true
            [Program.cs]
            dotnet_analyzer_diagnostic.severity = none
            dotnet_diagnostic.CS1591.severity = none
            """, TestContext.Current.CancellationToken);
        await File.WriteAllTextAsync(Path.Combine(folder, "Program.cs"), """
            using System.Diagnostics.CodeAnalysis;
            using Junctivor;

            #pragma warning disable CS0618, PIER001
            Wiring wiring =
            [
                Singleton.Of<OldMast>(),
                Singleton.Of<TrialMast>(),
                Transient.Of(typeof(IBox<>), typeof(Box<>)),
                Singleton.Of<ISounding, Sounding>(),
                Transient.Of<Deck>().ResolvedDirectly(),
            ];
            await using Container container = wiring.Build();
            Console.WriteLine(container.Resolve<Deck>().Tickets("Heron").Name);

            [Obsolete("Use another one.")]
            internal sealed class OldMast;

            [Experimental("PIER001")]
            internal sealed class TrialMast;

            internal interface IBox<T>;

            internal sealed class Box<T> : IBox<T>;

            internal interface ISounding;

            internal readonly record struct Depth(int Metres);

            internal sealed class Sounding(string? text = null, Depth? depth = null) : ISounding
            {
                public object All => (text, depth);
            }

            internal sealed record Ticket(string Name, IBox<Depth> Box);

            internal sealed record Deck(
                OldMast Old, TrialMast Trial, IBox<int> Box, IBox<Depth?> Boxes, ISounding Sounding, Func<string, Ticket> Tickets,
                Lazy<IBox<Depth>> Later, IReadOnlyList<IBox<long>> All)
            {
                [Inject]
                public IBox<byte>? More { get; set; }

                public required IBox<short> Needed { get; init; }
            }
            """, TestContext.Current.CancellationToken);

        await PackedLibrary.RunAsync(folder, "dotnet", "build", "--nologo", "-v", "quiet", "-o", "out");

        Assert.Equal("Heron", (await PackedLibrary.RunAsync(folder, "dotnet", "out/Start.dll")).Trim());
    }

    [Theory]
    [InlineData(
        "Junctivor", "console", "Heron gets berth 5, with 0.3 m at low water.", "Scoped.Of<BerthLedger>(),",
        "JV101: BerthPlanner requires BerthLedger, which is not registered")]
    [InlineData(
        "Junctivor.Reports", "console", "", "Singleton.Of<TideTable>(),", "JV101: Ledger requires TideTable, which is not registered")]
    [InlineData(
        "Junctivor.Hosting", "console", "The tide is at", "Scoped.Of<TideLog>(),",
        "JV101: TideReader requires TideLog, which is not registered")]
    [InlineData("Junctivor.Testing", "console", "1 created, 1 disposed", "Singleton.Of<IClock, SystemClock>(),", null)]
    [InlineData(
        "Junctivor.AspNetCore", "web", "Heron gets berth 5.", "Scoped.Of<BerthLedger>(),",
        "JV101: BerthPlanner requires BerthLedger, which is not registered")]
    public async Task The_program_of_its_readme_runs_as_pasted_and_does_not_compile_without_a_registration(
        string package, string template, string answer, string removed, string? fault)
    {
        string folder = Path.Combine(packed.Folder, $"pasted-{package}");
        Directory.CreateDirectory(folder);
        await PackedLibrary.WriteSourcesAsync(folder);
        await PackedLibrary.RunAsync(folder, "dotnet", "new", template, "-o", ".", "-n", "Pasted", "--no-restore");
        await PackedLibrary.RunAsync(
            folder, "dotnet", "add", "package", package, "--version", PackedLibrary.Version, "--package-directory", "packages");
        string source = Path.Combine(folder, "Program.cs");
        await File.WriteAllTextAsync(source, ProgramOf(package), TestContext.Current.CancellationToken);

        string[] build = ["build", "-warnaserror", "--nologo", "-v", "quiet", "-o", "out", "-p:RestorePackagesPath=packages"];
        await PackedLibrary.RunAsync(folder, "dotnet", build);
        string program = Path.Combine(folder, "out", "Pasted.dll");

        string? printed = package switch
        {
            "Junctivor.AspNetCore" => await RunningServer.AnswerAsync(folder, program, "/berths/Heron"),
            "Junctivor.Hosting" => (await RunningWorker.RunAsync(folder, program)).FirstLine,
            _ => await PackedLibrary.RunAsync(folder, "dotnet", program),
        };
        Assert.Contains(answer, printed, StringComparison.Ordinal);

        string lacking = ProgramOf(package).Replace(removed, "", StringComparison.Ordinal);
        Assert.NotEqual(ProgramOf(package), lacking);
        await File.WriteAllTextAsync(source, lacking, TestContext.Current.CancellationToken);
        if (fault is null)
        {
            // The compiler does not know what a test replaces; MustBeSound does.
            await PackedLibrary.RunAsync(folder, "dotnet", build);
            Assert.Contains(
                "JV101",
                (await Assert.ThrowsAsync<InvalidOperationException>(() => PackedLibrary.RunAsync(folder, "dotnet", program))).Message,
                StringComparison.Ordinal);
        }
        else
        {
            Assert.Contains(
                $"error {fault}",
                (await Assert.ThrowsAsync<InvalidOperationException>(() => PackedLibrary.RunAsync(folder, "dotnet", build))).Message,
                StringComparison.Ordinal);
        }
    }

    [Theory]
    [InlineData("Junctivor")]
    [InlineData("Junctivor.Reports")]
    [InlineData("Junctivor.Hosting")]
    [InlineData("Junctivor.Testing")]
    [InlineData("Junctivor.AspNetCore")]
    public void It_says_what_it_is_and_documents_what_is_public(string package)
    {
        using ZipArchive content = ZipFile.OpenRead(packed.FileOf(package));
        string description = TextOf(content, $"{package}.nuspec");
        string documentation = TextOf(content, $"lib/net10.0/{package}.xml");

        Assert.All(
            ["<readme>README.md</readme>", "<icon>icon.png</icon>", "<license type=\"expression\">MIT</license>",
                "<tags>dependency-injection ", "<projectUrl>https://junctivor.example/</projectUrl>", "<repository type=\"git\" url=\"https://junctivor.example/source\""],
            (string expected) => Assert.Contains(expected, description, StringComparison.Ordinal));
        Assert.All(
            description.Split('\n').Where(line => line.Contains("id=\"Junctivor", StringComparison.Ordinal)),
            line => Assert.Contains($"version=\"[{PackedLibrary.Version}]\"", line, StringComparison.Ordinal));
        Assert.DoesNotContain("](", TextOf(content, "README.md"), StringComparison.Ordinal);
        Assert.NotNull(content.GetEntry("icon.png"));
        Assert.NotNull(content.GetEntry("CHANGELOG.md"));
        Assert.Contains("name=\"M:Junctivor.", documentation, StringComparison.Ordinal);
        Assert.All(
            ["Junctivor.Graph.", "Junctivor.Runtime.", "Junctivor.Reports.Drawing.", "Junctivor.Pages."],
            (string hidden) => Assert.DoesNotContain($":{hidden}", documentation, StringComparison.Ordinal));
    }

    [Theory]
    [InlineData("Junctivor")]
    [InlineData("Junctivor.AspNetCore")]
    public void Its_symbols_lead_to_the_sources_of_the_commit(string package)
    {
        using ZipArchive content = ZipFile.OpenRead(Path.ChangeExtension(packed.FileOf(package), ".snupkg"));
        using MemoryStream symbols = new();
        using (Stream pdb = content.GetEntry($"lib/net10.0/{package}.pdb")!.Open())
        {
            pdb.CopyTo(symbols);
        }

        symbols.Position = 0;
        using MetadataReaderProvider provider = MetadataReaderProvider.FromPortablePdbStream(symbols);
        MetadataReader reader = provider.GetMetadataReader();

        Assert.All(
            reader.Documents.Select(handle => reader.GetString(reader.GetDocument(handle).Name)),
            name => Assert.StartsWith("/_/", name, StringComparison.Ordinal));
        Assert.Contains(
            reader.CustomDebugInformation.Select(handle => reader.GetCustomDebugInformation(handle)),
            information => Encoding.UTF8.GetString(reader.GetBlobBytes(information.Value))
                .Contains("https://junctivor.example/source/", StringComparison.Ordinal));
    }

    /// <summary>The first block of C# in the readme of a package: a whole program.</summary>
    private static string ProgramOf(string package) =>
        File.ReadAllText(Path.Combine(PackedLibrary.RepositoryRoot, "src", package, "README.md")).Split("```csharp\n")[1].Split("```")[0];

    private static string TextOf(ZipArchive package, string entry)
    {
        using StreamReader reader = new(package.GetEntry(entry)!.Open());
        return reader.ReadToEnd();
    }

    private static async Task<int> MethodsCompiledAsync(string folder, string how) =>
        int.Parse(await PackedLibrary.RunAsync(folder, "dotnet", "out/Start.dll", how, "count"), CultureInfo.InvariantCulture);

    /// <summary>With its own folder of packages, so that no package of an earlier run is taken for this one.</summary>
    private static async Task WriteProjectAsync(string folder)
    {
        await File.WriteAllTextAsync(Path.Combine(folder, "Start.csproj"), $"""
            <Project Sdk="Microsoft.NET.Sdk">
              <PropertyGroup>
                <OutputType>Exe</OutputType>
                <TargetFramework>net10.0</TargetFramework>
                <ImplicitUsings>enable</ImplicitUsings>
                <Nullable>enable</Nullable>
                <RestorePackagesPath>packages</RestorePackagesPath>
              </PropertyGroup>
              <ItemGroup>
                <PackageReference Include="Junctivor" Version="{PackedLibrary.Version}" />
              </ItemGroup>
            </Project>
            """, TestContext.Current.CancellationToken);
        await PackedLibrary.WriteSourcesAsync(folder);
    }

    /// <summary>Whether a file is precompiled, and from which one.</summary>
    private static (bool IsPrecompiled, Guid Module) Read(ZipArchive package, string name)
    {
        using Stream packed = package.GetEntry(name)!.Open();
        using MemoryStream whole = new();
        packed.CopyTo(whole);
        whole.Position = 0;
        using PEReader file = new(whole);
        MetadataReader metadata = file.GetMetadataReader();
        return (file.PEHeaders.CorHeader!.ManagedNativeHeaderDirectory.Size > 0, metadata.GetGuid(metadata.GetModuleDefinition().Mvid));
    }
}
