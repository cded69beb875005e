using System.Globalization;
using System.Text;
using Junctivor.Fixing;
using Junctivor.Fixing.Sources;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace Mistakes.Tests;

/// <summary>Whatever stands around a fault in a file, a fix changes what it edits, and not one character else.</summary>
public class RandomSourceTests
{
    [Theory]
    [MemberData(nameof(Seeds))]
    public void A_fix_keeps_every_comment_directive_and_string(int seed)
    {
        RandomSource random = new(seed);
        byte[] file = random.Bytes();
        FixedSource source = FixedSource.Of(SourceFile.Read(file, null, "iso-8859-1"));

        (FixedSource after, IReadOnlyList<FixOutcome> done) = source.Fix();

        byte[]? written = SourceFile.Write(after.Compilation.SyntaxTrees[^1].GetText(TestContext.Current.CancellationToken));
        Assert.NotNull(written);
        string was = random.Encoding.GetString(file);
        string now = random.Encoding.GetString(written);
        Assert.Equal(Kept(was), Kept(now));
        Assert.Equal(UntouchedTypes(was), UntouchedTypes(now));
        Assert.Equal(random.LineEnds(was), random.LineEnds(now));
        Assert.All(
            done.Where(each => each.Obstacle is null),
            each => Assert.DoesNotContain(each.Fault, after.Found.Select(found => found.Fault)));
        Assert.Contains(done, each => each.Obstacle is null);
    }

    public static TheoryData<int> Seeds => [.. Enumerable.Range(0, 60)];

    /// <summary>All comments, directives, inactive code and texts, in their order.</summary>
    private static List<string> Kept(string text)
    {
        SyntaxNode root = Parse(text);
        return
        [
            .. root.DescendantTrivia(descendIntoTrivia: false)
                .Where(trivia => !trivia.IsKind(SyntaxKind.WhitespaceTrivia) && !trivia.IsKind(SyntaxKind.EndOfLineTrivia))
                .Select(trivia => trivia.ToFullString()),
            .. root.DescendantTokens()
                .Where(token => token.Kind() is SyntaxKind.StringLiteralToken or SyntaxKind.CharacterLiteralToken
                    or SyntaxKind.InterpolatedStringTextToken or SyntaxKind.MultiLineRawStringLiteralToken
                    or SyntaxKind.SingleLineRawStringLiteralToken or SyntaxKind.Utf8StringLiteralToken)
                .Select(token => token.Text),
        ];
    }

    /// <summary>Types that no fix concerns, to the last character.</summary>
    private static List<string> UntouchedTypes(string text) =>
    [
        .. Parse(text).DescendantNodes().OfType<BaseTypeDeclarationSyntax>()
            .Where(type => type.Identifier.ValueText.StartsWith("Kept", StringComparison.Ordinal))
            .Select(type => type.ToFullString()),
    ];

    private static SyntaxNode Parse(string text) => CSharpSyntaxTree.ParseText(text).GetRoot();

    /// <summary>A file with faults that can be fixed for certain, and with anything that a file may have around them.</summary>
    private sealed class RandomSource
    {
        private static readonly string[] Comments =
        [
            "// a comment, with \"quotes\" and 'ticks'", "/* a block */", "/* a block\n   of two lines */", "// TODO: ask the \u00e4ltere office",
            "#pragma warning disable CS0169", "#region Quay", "#endregion",
            "#if NEVER\n        Singleton.Of<Never>(), // and \"this\n#endif", "#if NEVER\nclass {\n#else\n#endif", "",
        ];

        private static readonly string[] Texts =
        [
            "\"plain \\\" \\u00e9\"", "@\"verbatim \"\"\n  second line\"", "$\"a {1 + 1} b {{c}}\"", "$@\"first\n    {2} third\"",
            "\"\"\"\n            raw \"text\"\n              deeper\n            \"\"\"", "$$\"\"\"\n            {{3}} and {4}\n            \"\"\"",
        ];

        private readonly Random _random;

        public RandomSource(int seed)
        {
            _random = new Random(seed);
            Encoding = Pick(new UTF8Encoding(false), new UTF8Encoding(true), Encoding.Unicode, Encoding.Latin1);
        }

        public Encoding Encoding { get; }

        public byte[] Bytes()
        {
            string text = Text().Replace("\n", Pick("\n", "\r\n"), StringComparison.Ordinal);
            return [.. Encoding.Preamble, .. Encoding.GetBytes(text)];
        }

        /// <summary>Which line ends there are.</summary>
        public IReadOnlyList<string> LineEnds(string text) =>
        [
            .. new[] { "\r\n", "\n" }.Where(end => end == "\n"
                ? text.Replace("\r\n", "", StringComparison.Ordinal).Contains('\n')
                : text.Contains(end, StringComparison.Ordinal)),
        ];

        private string Text()
        {
            int regions = 0;
            StringBuilder text = new();
            text.Append(CultureInfo.InvariantCulture, $"{Comment(ref regions)}\nusing Junctivor;\n\n{Comment(ref regions)}\n");
            text.Append(CultureInfo.InvariantCulture, $"public static class Office\n{{\n    {KeptMember()}\n");
            text.Append(CultureInfo.InvariantCulture, $"    [CheckedWiring] {Inline()}\n    public static Wiring Wiring =>\n    [\n");
            foreach (string registration in Shuffled(
                "Singleton.Of<PaperChart>()", "Singleton.Of<Pilot>()", "Scoped.Of<Ledger>()", "Singleton.Of<Poller>()",
                "Singleton.Value(" + Pick(Texts) + ").Marked(\"text\")"))
            {
                text.Append(CultureInfo.InvariantCulture, $"{Comment(ref regions)}\n        {registration}, {Inline()}\n");
            }

            text.Append(CultureInfo.InvariantCulture, $"{Comment(ref regions)}\n    ];\n}}\n\n{Types(ref regions)}");
            while (regions-- > 0)
            {
                text.Append("\n#endregion\n");
            }

            return text.ToString();
        }

        private string Types(ref int regions) => $$"""
            public interface IChart;
            {{Comment(ref regions)}}
            public sealed class PaperChart {{Inline()}} : IChart;

            public sealed record Pilot(IChart Chart {{Inline()}});

            public sealed class Ledger : IDisposable
            {
                public int Post() => 1;

                public Task PostAsync() => Task.CompletedTask;

                public void Dispose()
                {
                }
            }

            public sealed class Poller(Ledger ledger)
            {
                {{KeptMember()}}

                public async Task<string> RunAsync(CancellationToken stop)
                {
                    {{Inline()}}
                    while (!stop.IsCancellationRequested)
                    {
                        string text = {{Pick(Texts)}}; {{Inline()}}
                        {{Inline()}}
                        int posted = ledger.Post() + text.Length;
                        await ledger.PostAsync(); // posted
                        await Task.Delay(posted, stop);
                    }

                    return {{Pick(Texts)}};
                }
            }

            public enum KeptKind
            {
                {{Comment(ref regions)}}
                First, {{Inline()}}
            }

            public sealed class Kept
            {
                {{KeptMember()}}
            }

            """.ReplaceLineEndings("\n");

        private string KeptMember() =>
            $"public static readonly string Text = {Pick(Texts)}; {Inline()}";

        private string Comment(ref int regions)
        {
            string comment = Pick(Comments);
            if (comment == "#endregion" && regions == 0)
            {
                return "";
            }

            regions += comment.StartsWith("#region", StringComparison.Ordinal) ? 1 : comment == "#endregion" ? -1 : 0;
            return comment;
        }

        private string Inline() => Pick("", "", "/* inline */", "/* \"inline\" */");

        private T Pick<T>(params T[] all) => all[_random.Next(all.Length)];

        private string[] Shuffled(params string[] all)
        {
            _random.Shuffle(all);
            return all;
        }
    }
}
