using Junctivor.Tests.Shared;

namespace Junctivor.Cli.Tests;

/// <summary>What assemblies are loaded, and with which line the others are refused.</summary>
public sealed class LoadingTests : IDisposable
{
    private readonly CompiledFolder _folder = new();

    public void Dispose() => _folder.Dispose();

    [Fact]
    public async Task A_wiring_may_use_native_packages()
    {
        ProgramRun run = await Check(typeof(LoadingTests).Assembly.Location, "--wiring", "native");

        Assert.Equal((0, ""), (run.Status, run.Errors));
    }

    [Theory]
    [InlineData("9.0.0.0", "was built for Junctivor 9.0.0, and this command contains 0.1.0: use the command of the same version")]
    [InlineData("0.7.0.0", "was built for Junctivor 0.7.0")]
    public async Task An_assembly_for_another_version_of_the_library_is_refused(string version, string line)
    {
        string library = _folder.Compile("Junctivor", $$"""
            [assembly: System.Reflection.AssemblyVersion("{{version}}")]
            namespace Junctivor { public sealed class Wiring; public sealed class CheckedWiringAttribute : System.Attribute; }
            """);
        string office =
            _folder.Compile(
                "Office", "public static class Office { [Junctivor.CheckedWiring] public static Junctivor.Wiring Wiring => new(); }",
                library);

        AssertRefused(await Check(office), line);
    }

    [Fact]
    public async Task A_framework_that_is_not_installed_is_named() =>
        AssertRefused(
            await Check(WithFramework("Tidal.Pilots.App", "4.2.0")),
            "Office.dll needs Tidal.Pilots.App 4.2.0, which is not installed: install it");

    [Fact]
    public async Task A_newer_runtime_is_named() =>
        AssertRefused(
            await Check(WithFramework("Microsoft.NETCore.App", "99.0.0")), "Office.dll needs .NET 99, and this command runs on .NET");

    [Fact]
    public async Task A_dependency_that_is_not_there_is_named()
    {
        string dependency = _folder.Compile("Quay", "public interface IQuay;");
        string office = _folder.Compile("Office", "public sealed class Office : IQuay;", dependency);
        File.Delete(dependency);

        AssertRefused(await Check(office), "Quay");
    }

    [Theory]
    [InlineData(".runtimeconfig.json", "{", "Office.runtimeconfig.json cannot be read (line 1)")]
    [InlineData(".runtimeconfig.json", "", "Office.runtimeconfig.json cannot be read")]
    [InlineData(".runtimeconfig.json", "[]", "Office.runtimeconfig.json has no readable runtime options")]
    [InlineData(".runtimeconfig.json", """{"runtimeOptions":5}""", "Office.runtimeconfig.json has no readable runtime options")]
    [InlineData(".runtimeconfig.json", """{"runtimeOptions":{"frameworks":["x"]}}""", "Office.runtimeconfig.json names 'x' as a framework")]
    [InlineData(".runtimeconfig.json", """{"runtimeOptions":{"framework":7}}""", "Office.runtimeconfig.json names '7' as a framework")]
    [InlineData(".deps.json", "{ this is none", "Office.deps.json cannot be read")]
    public async Task Settings_that_cannot_be_read_are_named(string extension, string text, string line)
    {
        string office = _folder.Compile("Office", "public sealed class Office;");
        await File.WriteAllTextAsync(Path.ChangeExtension(office, extension), text, TestContext.Current.CancellationToken);

        AssertRefused(await Check(office), line);
    }

    private static Task<ProgramRun> Check(params string[] arguments) => ProgramRun.Of("src/Junctivor.Cli", ["check", .. arguments]);

    private static void AssertRefused(ProgramRun run, string line)
    {
        Assert.Equal((2, ""), (run.Status, run.Output));
        Assert.Contains(line, Assert.Single(run.Errors.Trim().Split('\n')), StringComparison.Ordinal);
    }

    private string WithFramework(string name, string version)
    {
        string office = _folder.Compile("Office", "public sealed class Office;");
        File.WriteAllText(
            Path.ChangeExtension(office, ".runtimeconfig.json"),
            $$"""{ "runtimeOptions": { "framework": { "name": "{{name}}", "version": "{{version}}" } } }""");
        return office;
    }
}
