extern alias Completing;

using System.Reflection;
using Completing::Junctivor.Completion;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.Completion;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.Diagnostics;
using Microsoft.CodeAnalysis.Host.Mef;

namespace Junctivor.Generators.Tests;

/// <summary>The completion list of an editor that loads completion from packages.</summary>
public class CompletionTests
{
    private const string Classes = """
        public interface ITides;
        public sealed class Almanac : ITides;
        public sealed class Cached(ITides inner) : ITides { public ITides Inner => inner; }
        public interface IArchive<T>;
        public sealed class Archive<T> : IArchive<T>;
        """;

    private static CancellationToken Token => TestContext.Current.CancellationToken;

    [Theory]
    [InlineData("[Singleton.Of<ITides, |", "Almanac")]
    [InlineData("[Singleton.Of<ITides, |>()]", "Almanac")]
    [InlineData("[Scoped.Of<ITides, Al|", "Almanac")]
    [InlineData("[Decorator.Of<ITides, |", "Cached")]
    [InlineData("[Singleton.Of<IArchive<int>, |>()]", "Archive<int>")]
    public async Task Classes_that_implement_the_service_come_first(string wiring, string first) =>
        Assert.Equal(first, (await ListAsync(wiring))[0]);

    [Theory]
    [InlineData("[Singleton.Of<ITides>(), |]")]
    [InlineData("[Singleton.Of<IUnknown, |")]
    [InlineData("new Dictionary<ITides, |")]
    [InlineData("[Singleton.Of<|")]
    public async Task Elsewhere_the_list_is_as_usual(string wiring)
    {
        IReadOnlyList<string> list = await ListAsync(wiring);

        Assert.Equal(list.Order(StringComparer.OrdinalIgnoreCase).First(), list[0], ignoreCase: true);
    }

    private static async Task<IReadOnlyList<string>> ListAsync(string wiring)
    {
        CSharpCompilation like = AnalyzedSource.Of(("/Empty.cs", "")).Compilation;
        string text = $"{like.SyntaxTrees[0]}\npublic class Office {{ public void Make() {{ Wiring wiring = {wiring} }} }}\n{Classes}";
        int place = text.IndexOf('|', StringComparison.Ordinal);
        using AdhocWorkspace workspace = new(MefHostServices.DefaultHost);
        Document document = workspace
            .AddProject(ProjectInfo
                .Create(ProjectId.CreateNewId(), VersionStamp.Default, "Edited", "Edited", LanguageNames.CSharp)
                .WithMetadataReferences(like.References)
                .WithAnalyzerReferences(
                    [new AnalyzerFileReference(typeof(ImplementationCompletion).Assembly.Location, new Loader())]))
            .AddDocument("Office.cs", text.Remove(place, 1));
        CompletionList list = await CompletionService.GetService(document)!.GetCompletionsAsync(document, place, cancellationToken: Token);
        return [.. list.ItemsList.OrderBy(item => item.SortText, StringComparer.OrdinalIgnoreCase).Select(item => item.DisplayText)];
    }

    private sealed class Loader : IAnalyzerAssemblyLoader
    {
        public void AddDependencyLocation(string fullPath)
        {
            // All of it is in the folder of the tests.
        }

        public Assembly LoadFromPath(string fullPath) => Assembly.LoadFrom(fullPath);
    }
}
