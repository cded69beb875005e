using CsCheck;
using Junctivor.Model;
using Junctivor.Tests.Shared;

namespace Junctivor.Generators.Tests;

/// <summary>Wirings that were drawn by chance, as source.</summary>
internal static class RandomWirings
{
    private const string Level = "ScopeLevel shift = new(\"shift\");";

    private static readonly string Model = Path.Combine(ProgramRun.RepositoryRoot, "tests", "Junctivor.Model");

    /// <summary>The classes that they register.</summary>
    public static IEnumerable<(string File, string Text)> ModelFiles =>
        from file in (string[])["Parts.cs", "Journal.cs", "InjectedFailure.cs"]
        select (file, File.ReadAllText(Path.Combine(Model, file)));

    /// <summary>Wirings that are always the same for a batch.</summary>
    public static IReadOnlyList<Entry[]> Draw(bool isTame, int batch, int count)
    {
        PCG random = PCG.Parse($"{batch:00000000}000{(isTame ? 1 : 2)}");
        Gen<Entry[]> entries = RandomEntries.Of(isTame);
        return [.. Enumerable.Range(0, count).Select(_ => entries.Generate(random, null, out Size _))];
    }

    /// <summary>Each wiring in a class of its own, as what it writes declares variables.</summary>
    public static string Written(IReadOnlyList<Entry[]> drawn, string mark) =>
        $"namespace Junctivor.Model;\n{string.Concat(drawn.Select((entries, number) => Written(entries, number, mark)))}";

    /// <summary>A level that another project is to name is a field.</summary>
    private static string Written(Entry[] entries, int number, string mark) => $$"""

        public static class Office{{number}}
        {
            {{(mark.Length == 0 ? "public static readonly " + Level : "")}}

            {{mark}}
            public static Wiring Wiring{{number}}
            {
                get
                {
        {{$"{new Registrations(entries)}".Replace(mark.Length == 0 ? Level : "\0", "", StringComparison.Ordinal)}}
                    return wiring;
                }
            }
        }
        """;
}
