using Junctivor.Model;

namespace Junctivor.Generators.Tests;

/// <summary>What the generator compiles into programs that are to be published natively. Whether it works there, eng/native
/// tells.</summary>
public class NativeTests
{
    private const string File = "Junctivor.Recipes.g.cs";
    private const int Batches = 3;
    private const int BatchSize = 100;

    private const string Archives = "Singleton.Of(typeof(IArchive<>), typeof(SqliteArchive<>))";

    private const string Harbour = """
        namespace Harbour;

        public interface IArchive<T>;
        public sealed class SqliteArchive<T>(Clock clock) : IArchive<T> { public Clock Clock => clock; }
        public sealed class Clock;
        public sealed class Desk(IArchive<int> berths) { public object Berths => berths; }
        public sealed class Printer(Func<string, int, Ticket> print) { public object Print => print; }
        public sealed class Ticket(string vessel, int nights, Clock clock) { public object All => (vessel, nights, clock); }
        public sealed class Almanac(IReadOnlyList<DateOnly> days, Lazy<TimeOnly> noon) { public object All => (days, noon); }
        public sealed class Report(string day, IArchive<double> depths) { public object All => (day, depths); }
        internal sealed class Outer
        {
            private sealed class Secret(Clock clock) { public Clock Clock => clock; }

            public static Wiring Wiring => [Singleton.Of<Clock>(), Singleton.Of<Secret>()];
        }

        public static class Office
        {
            [CheckedWiring]
            public static Wiring Wiring => [Singleton.Of<Clock>(), ENTRIES];

            public static void Use(Container container)
            {
                USE
            }
        }
        """;

    /// <summary>Entries, a use of the container, and a line that must be written.</summary>
    public static TheoryData<string, string, string> Programs => new()
    {
        { $"Singleton.Of<Desk>(), {Archives}", "", "new global::Harbour.SqliteArchive<int>((global::Harbour.Clock)a[0])" },
        { Archives, "container.Resolve<IArchive<long>>();", Archive("long") },
        { Archives, "container.Resolve(typeof(IArchive<long>));", Archive("long") },
        { Archives, "container.Construct<Report>(\"Monday\");", Archive("double") },
        { Archives, "container.Invoke((IArchive<short> archive) => { });", Archive("short") },
        { $"{Archives}.Marked(\"n\")", "container.Resolve<IArchive<byte>>(\"n\");", Archive("byte") },
        { "Transient.Of<Printer>()", "", "new global::Harbour.Ticket((string)a[0], " },
        { "Transient.Of<Printer>()", "", "global::Junctivor.CompilerServices.CompiledRecipes.Argument<int>(a[1])" },
        { "Transient.Of<Printer>()", "", "AddFunction<object, int, object>()" },
        { "Transient.Of<Almanac>(), Singleton.Value<TimeOnly>(new(12, 0))", "", "AddElement<global::System.DateOnly>()" },
        { "Transient.Of<Almanac>(), Singleton.Value<TimeOnly>(new(12, 0))", "", "AddElement<global::System.TimeOnly>()" },
        { ".. Outer.Wiring", "", "UnsafeAccessorType(\"Harbour.Outer+Secret, Analyzed\")" },
        {
            """
            .. Wiring.If(Environment.Is64BitProcess, [Singleton.Of<Desk>()]),
            .. Wiring.If(!Environment.Is64BitProcess, [Singleton.Of<IArchive<int>, SqliteArchive<int>>()])
            """,
            "",
            "new global::Harbour.Desk("
        },
    };

    private static string Archive(string of) => $"typeof(global::Harbour.SqliteArchive<{of}>)";

    [Theory]
    [MemberData(nameof(Programs))]
    public void What_a_wiring_leads_to_is_compiled_in(string entries, string use, string line)
    {
        AnalyzedSource source = AnalyzedSource.OfText(Written(entries, use));

        Assert.Contains(line, source.Generate(isNative: true)[File], StringComparison.Ordinal);
    }

    [Fact]
    public void Nothing_is_compiled_into_other_programs()
    {
        AnalyzedSource source = AnalyzedSource.OfText(Written("Transient.Of<Printer>()", ""));

        Assert.DoesNotContain(File, source.Generate(isNative: false).Keys);
        Assert.Contains(File, source.Generate(isNative: true).Keys);
    }

    [Fact]
    public void The_code_of_random_wirings_compiles()
    {
        for (int batch = 0; batch < Batches; batch++)
        {
            IReadOnlyList<Entry[]> drawn = RandomWirings.Draw(isTame: true, batch, BatchSize);
            AnalyzedSource source =
                AnalyzedSource.Of([("/Wirings.cs", RandomWirings.Written(drawn, "[CheckedWiring]")), .. RandomWirings.ModelFiles]);

            Assert.Contains("CompiledRecipes.Add(", source.Generate(isNative: true)[File], StringComparison.Ordinal);
        }
    }

    private static string Written(string entries, string use) =>
        Harbour.Replace("ENTRIES", entries, StringComparison.Ordinal).Replace("USE", use, StringComparison.Ordinal);
}
