using System.Diagnostics;
using System.Runtime.InteropServices;
using Junctivor.Tests.Shared;

namespace Frameworks.Tests;

/// <summary>The program as it is published: in one file, of which all frameworks still find what they look for.</summary>
public sealed class PublishedTests : IDisposable
{
    private readonly DirectoryInfo _folder = Directory.CreateTempSubdirectory("frameworks-published-");

    public void Dispose() => _folder.Delete(recursive: true);

    [Fact]
    public async Task One_file_serves_controllers_pages_and_the_database()
    {
        ProgramRun published = await ProgramRun.OfProgram(
            new ProcessStartInfo("dotnet",
            [
                "publish", Path.Combine(ProgramRun.RepositoryRoot, "examples", "Frameworks"), "-c", "Release", "-r",
                RuntimeInformation.RuntimeIdentifier, "--self-contained", "false", "-p:PublishSingleFile=true",
                "-p:IncludeNativeLibrariesForSelfExtract=true", "-o", _folder.FullName, "-v", "quiet",
            ]),
            "");
        Assert.True(published.Status == 0, published.Output);
        Assert.Empty(_folder.GetFiles("*.dll"));

        string[] answers = await RunningServer.AnswersAsync(
            _folder.FullName, Path.Combine(_folder.FullName, "Frameworks"), "/berths", "/controlled/berths", "/quay");

        Assert.Equal("[]", answers[0]);
        Assert.Contains("by one context: True", answers[1], StringComparison.Ordinal);
        Assert.Contains("<", answers[2], StringComparison.Ordinal);
    }
}
