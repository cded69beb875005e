using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Tests;

/// <summary>A build that sets severities: the compiler reports what the build will stop at.</summary>
public class SeverityTests
{
    /// <summary>Options, and what is found: JV204 is a warning by default, JV303 a note, JV203 a fault that can be lowered.</summary>
    public static TheoryData<string, string> Options => new()
    {
        { "", "JV203 Error, JV204 Warning, JV303 Info" },
        { "new BuildOptions()", "JV203 Error, JV204 Warning, JV303 Info" },
        { "new BuildOptions { WarningsAreErrors = true }", "JV203 Error, JV204 Error, JV303 Info" },
        {
            "new BuildOptions { Severities = new Dictionary<string, Severity> { [\"JV303\"] = Severity.Error, [\"jv203\"] = Severity.Note } }",
            "JV203 Info, JV204 Warning, JV303 Error"
        },
        { "new BuildOptions { Severities = new Dictionary<string, Severity> { { \"JV204\", Severity.Note } }, WarningsAreErrors = true }", "JV203 Error, JV204 Info, JV303 Info" },
        { "Strict", "JV203 Error, JV204 Error, JV303 Info" },
        { "local", "JV203 Error, JV204 Error, JV303 Info" },
        { "Assigned", "JV203 Warning, JV204 Warning, JV303 Info" },
        { "given", "JV203 Warning, JV204 Warning, JV303 Info" },
        { "Strict with { WarningsAreErrors = false }", "JV203 Warning, JV204 Warning, JV303 Info" },
        { "new BuildOptions { WarningsAreErrors = DateTime.Now.Hour > 3 }", "JV203 Warning, JV204 Warning, JV303 Info" },
    };

    [Theory]
    [MemberData(nameof(Options))]
    public void Of_a_build_are_read(string options, string expected)
    {
        IReadOnlyList<Diagnostic> found = AnalyzedSource.OfText($$"""
            public static class Office
            {
                private static readonly BuildOptions Strict = new() { WarningsAreErrors = true };
                private static BuildOptions Assigned = new() { WarningsAreErrors = true };

                public static Container Build(BuildOptions given)
                {
                    Assigned = given;
                    BuildOptions local = Strict;
                    Wiring wiring =
                    [
                        Singleton.Of<Horn>(), Singleton.Of<Horn>(), Singleton.Of<Buoy>().Replacing(),
                        Singleton.Of<Bell>(), Transient.Of<Stamp>(),
                    ];
                    return wiring.Build({{options}});
                }
            }

            public sealed class Horn; public sealed class Buoy;
            public sealed class Bell(Stamp stamp) { public object Stamp => stamp; }
            public sealed class Stamp { private int _turns; public int Turn() => ++_turns; }
            """).Analyze();

        Assert.Equal(expected, string.Join(", ", found.Select(each => $"{each.Id} {each.Severity}").Order(StringComparer.Ordinal)));
    }
}
