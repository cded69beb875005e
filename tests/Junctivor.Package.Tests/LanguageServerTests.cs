using System.Text.RegularExpressions;

namespace Junctivor.Package.Tests;

/// <summary>What an editor shows for a document while it is edited is what the build says of it once it is saved: in a solution with a
/// module in another project, which an editor has as a compilation, and not as an assembly.</summary>
public sealed partial class LanguageServerTests(PackedLibrary packed)
{
    private const string Program = """
        using Junctivor;
        using Quay;

        Wiring wiring =
        [
            .. Storage.Wiring,
            Transient.Of<Desk>().ResolvedDirectly(),
        ];
        using Container container = wiring.Build();

        internal sealed record Desk(Ledger Ledger);

        """;

    private static CancellationToken Token => TestContext.Current.CancellationToken;

    [Fact]
    public async Task A_language_server_shows_what_the_build_says()
    {
        string folder = await WriteAsync("edited");
        string? server = await LanguageServer.InstallAsync(folder);
        Assert.SkipWhen(server is null, "csharp-ls could not be installed: 'dotnet tool install csharp-ls' finds it in the registry.");
        string[] texts =
        [
            Program,
            Program.Replace("    Transient", "    Singleton.Of<ITides, Almanac>(),\n    Transient", StringComparison.Ordinal),
            Program.Replace("    Transient", "    Singleton.Of<Desk>(),\n    Transient", StringComparison.Ordinal),
            Program.Replace(
                "using Container",
                "for (int turn = 0; turn < args.Length; turn++)\n{\n    wiring.Add(Singleton.Of<Almanac>());\n}\n\nusing Container",
                StringComparison.Ordinal),
        ];
        await using LanguageServer editor = await LanguageServer.OpenAsync(server!, folder, "Office/Program.cs", Program);

        List<IReadOnlyList<string>> shown = [];
        foreach (string text in texts)
        {
            await editor.EditAsync(text);
            shown.Add(await editor.ShownAsync());
        }

        Assert.Equal(
            ["6: error JV101: Ledger requires ITides, which is not registered. Fix: register it: Scoped.Of<ITides, Almanac>()"], shown[0]);
        Assert.Empty(shown[1]);
        Assert.Contains(shown[2], each => each.Contains("JV301", StringComparison.Ordinal));
        Assert.Contains("warning JV901", Assert.Single(shown[3]), StringComparison.Ordinal);
        for (int number = 0; number < texts.Length; number++)
        {
            await File.WriteAllTextAsync(Path.Combine(folder, "Office", "Program.cs"), texts[number], Token);
            Assert.Equal(await BuildAsync(folder), shown[number].Where(each => !each.Contains(": info ", StringComparison.Ordinal)));
        }
    }

    [Fact]
    public async Task In_a_solution_of_four_projects_a_fault_goes_with_its_fix()
    {
        string folder = await WriteAsync("typed");
        string? server = await LanguageServer.InstallAsync(folder);
        Assert.SkipWhen(server is null, "csharp-ls could not be installed: 'dotnet tool install csharp-ls' finds it in the registry.");
        const string fault = "JV101 Storage.Wiring";
        string halfTyped = Program.Replace("    Transient", "    Singleton.Of<ITides, \n    Transient", StringComparison.Ordinal);
        string typed = Program.Replace("    Transient", "    Singleton.Of<ITides, Almanac>(),\n    Transient", StringComparison.Ordinal);
        await using LanguageServer editor = await LanguageServer.OpenAsync(server!, folder, "Office/Program.cs", Program);

        IReadOnlyList<string> before = await editor.UnderlinedAsync(Program);
        await editor.EditAsync(halfTyped);
        IReadOnlyList<string> during = await editor.UnderlinedAsync(halfTyped);
        await editor.EditAsync(typed);
        IReadOnlyList<string> after = await editor.UnderlinedAsync(typed);

        Assert.Equal([fault], before);
        Assert.Empty(during);
        Assert.Empty(after);
    }

    [Fact]
    public async Task Fix_all_of_a_solution_makes_the_fixes_that_are_certain_in_every_file()
    {
        string folder = await WriteAsync("fixed");
        string program = Program
            .Replace(
                "    Transient",
                "    Singleton.Of<Chart>(),\n    Scoped.Of<ITides, Almanac>(),\n    Transient",
                StringComparison.Ordinal)
            .Replace(
                "Desk(Ledger Ledger);",
                "Desk(Ledger Ledger, IChart Chart);\n\ninternal interface IChart;\n\ninternal sealed class Chart : IChart;",
                StringComparison.Ordinal);
        const string tower = """
            using Junctivor;

            public static class Tower
            {
                [CheckedWiring]
                public static Wiring Wiring => [Singleton.Of<Bell>(), Singleton.Of<Ringer>().ResolvedDirectly()];
            }

            public interface IBell;

            public sealed class Bell : IBell;

            public sealed record Ringer(IBell Bell);

            """;
        await WriteAsync(folder, "Office/Program.cs", program);
        await WriteAsync(folder, "Office/Tower.cs", tower);

        await PackedLibrary.RunAsync(
            folder, "dotnet", "format", "analyzers", "Edited.slnx", "--diagnostics", "JV101", "--severity", "error", "--no-restore");

        Assert.Equal(
            program.Replace("Of<Chart>()", "Of<Chart>().Also<IChart>()", StringComparison.Ordinal),
            await File.ReadAllTextAsync(Path.Combine(folder, "Office", "Program.cs"), Token));
        Assert.Equal(
            tower.Replace("Of<Bell>()", "Of<Bell>().Also<IBell>()", StringComparison.Ordinal),
            await File.ReadAllTextAsync(Path.Combine(folder, "Office", "Tower.cs"), Token));
    }

    /// <summary>What a build says of the document.</summary>
    private static async Task<IReadOnlyList<string>> BuildAsync(string folder)
    {
        string said;
        try
        {
            said = await PackedLibrary.RunAsync(
                folder, "dotnet", "build", "Office", "--no-restore", "--nologo", "-v", "quiet", "-clp:NoSummary");
        }
        catch (InvalidOperationException failed)
        {
            said = failed.Message;
        }

        return
        [
            .. Said().Matches(said)
                .Select(each => $"{each.Groups[1].Value}: {each.Groups[2].Value}")
                .Distinct()
                .Order(StringComparer.Ordinal),
        ];
    }

    [GeneratedRegex(@"Program\.cs\((\d+),\d+\): ((?:error|warning) JV.*?)(?: \(https://[^)]*\))? \[", RegexOptions.Multiline)]
    private static partial Regex Said();

    private async Task<string> WriteAsync(string name)
    {
        string folder = Path.Combine(packed.Folder, name);
        foreach (string project in (string[])["Contracts", "Quay", "Office", "Night"])
        {
            Directory.CreateDirectory(Path.Combine(folder, project));
        }

        await PackedLibrary.WriteSourcesAsync(folder);
        await WriteAsync(folder, "Edited.slnx", """
            <Solution>
              <Project Path="Contracts/Contracts.csproj" />
              <Project Path="Quay/Quay.csproj" />
              <Project Path="Office/Office.csproj" />
              <Project Path="Night/Night.csproj" />
            </Solution>
            """);
        await WriteAsync(folder, "Contracts/Contracts.csproj", Project("Library"));
        await WriteAsync(folder, "Quay/Quay.csproj", Project("Library", "Contracts"));
        await WriteAsync(folder, "Office/Office.csproj", Project("Exe", "Quay"));
        await WriteAsync(folder, "Night/Night.csproj", Project("Exe", "Quay"));
        await WriteAsync(folder, "Contracts/ITides.cs", """
            namespace Quay;

            public interface ITides;
            """);
        await WriteAsync(folder, "Night/Program.cs", """
            using Junctivor;
            using Quay;

            Wiring wiring = [.. Storage.Wiring, Singleton.Of<ITides, Almanac>()];
            using Container container = wiring.Build();
            """);
        await WriteAsync(folder, "Quay/Storage.cs", """
            using Junctivor;

            namespace Quay;

            public static class Storage
            {
                public static Wiring Wiring => [Scoped.Of<Ledger>()];
            }

            public sealed class Almanac : ITides;

            public sealed record Ledger(ITides Tides);
            """);
        await WriteAsync(folder, "Office/Program.cs", Program);
        await PackedLibrary.RunAsync(folder, "dotnet", "restore");
        return folder;
    }

    private static Task WriteAsync(string folder, string file, string text) =>
        File.WriteAllTextAsync(Path.Combine(folder, file), text, Token);

    private static string Project(string output, params IReadOnlyList<string> references) => $"""
        <Project Sdk="Microsoft.NET.Sdk">
          <PropertyGroup>
            <OutputType>{output}</OutputType>
            <TargetFramework>net10.0</TargetFramework>
            <ImplicitUsings>enable</ImplicitUsings>
            <Nullable>enable</Nullable>
            <RestorePackagesPath>../packages</RestorePackagesPath>
          </PropertyGroup>
          <ItemGroup>
            <PackageReference Include="Junctivor" Version="{PackedLibrary.Version}" />
            {string.Concat(references.Select(each => $"""<ProjectReference Include="../{each}/{each}.csproj" />"""))}
          </ItemGroup>
        </Project>
        """;
}
