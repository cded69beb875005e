using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Tests;

/// <summary>A fault is shown at the words that a developer changes.</summary>
public class PlaceTests
{
    private const string World = """

        public interface IClock;
        public sealed class HarbourClock : IClock;
        public sealed class TideClock : IClock;
        public interface ITides { object Clock { get; } }
        public sealed class Tides(IClock clock) : ITides { public object Clock => clock; }
        public sealed class Berth;
        public sealed class Depot(string path, int size) { public string Path => path; public int Size => size; }
        public sealed class Desk { public Desk(IClock clock) { } public Desk(Berth berth) { } }
        public sealed class Chosen { [Inject] public Chosen(IClock clock) { } [Inject] public Chosen(Berth berth) { } }
        public sealed class Almanac(Func<IClock> clock) { public object Clock => clock; }
        public sealed class Watch(ITides tides) { public object Tides => tides; }
        public sealed class LoudTides(ITides inner) : ITides { public object Clock => inner.Clock; }
        public sealed class Session : IDisposable { public void Dispose() { } }
        public sealed class Roster(Session session) { public object Session => session; }
        public static class Storage
        {
            public static Registration<T> Part<T>() where T : class => Scoped.Of<T>();
            public static Registration<T> Part<T>(string mark) where T : class => Scoped.Of<T>().Marked(mark);
            public static void AddTides(this Wiring wiring) => wiring.Add(Singleton.Of<ITides, Tides>());
        }
        """;

    /// <summary>The entries of a wiring; the code, and the words that the diagnostic underlines; then those of its other place.</summary>
    public static TheoryData<string, string, string, string> Places => new()
    {
        // Options
        { "Singleton.Of<Depot>().Passing(\"pathh\", \"quay\").Passing(\"size\", 3)", "JV106", "Passing(\"pathh\", \"quay\")", "" },
        { "Singleton.Of<Depot>().Passing(\"path\", \"quay\").Passing(\"sise\", 3)", "JV106", "Passing(\"sise\", 3)", "" },
        { "Singleton.Of<Depot>().Passing(\"path\", 3).Passing(\"size\", 3)", "JV106", "Passing(\"path\", 3)", "" },
        { "Singleton.Of<Depot>().Passing(\"quay\").Passing(3.0)", "JV106", "Passing(3.0)", "" },
        { "Singleton.Of<IClock, HarbourClock>().Replacing()", "JV203", "Replacing()", "" },
        { "Singleton.Of<IClock, HarbourClock>().Replacing().Marked(\"quay\")", "JV203", "Replacing()", "" },
        { "Singleton.Of<IClock, HarbourClock>()\n    .Replacing()\n    .Marked(\"quay\")", "JV203", "Replacing()", "" },
        { "Singleton.Of<HarbourClock>().Also<ITides>()", "JV104", "Also<ITides>()", "" },
        { "Singleton.Of<HarbourClock>().Also<IClock>().Also<ITides>().Marked(\"a\")", "JV104", "Also<ITides>()", "" },
        { "Singleton.Of(typeof(HarbourClock)).Also(typeof(ITides))", "JV104", "Also(typeof(ITides))", "" },
        { "Singleton.Of<Berth>().Accept(\"JV303\", reason: \"It is meant.\")", "JV504", "Accept(\"JV303\", reason: \"It is meant.\")", "" },
        { "Singleton.Of<IClock, HarbourClock>().OnlyFor<ITides>().Marked(\"a\")", "JV109", "OnlyFor<ITides>()", "" },
        { "Scoped.Of<Berth>().WarmUp((_, _) => default)", "JV109", "WarmUp((_, _) => default)", "" },
        { "Singleton.Of<Berth>().Accept(\"JV999\", \"It is meant.\")", "JV109", "Accept(\"JV999\", \"It is meant.\")", "" },

        // Factories
        { "Singleton.From((IClock clock) => new Tides(clock))", "JV101", "IClock clock", "" },
        { "Singleton.From((Berth berth, IClock clock) => new Tides(clock)), Singleton.Of<Berth>()", "JV101", "IClock clock", "" },
        { "Singleton.From<IClock, Tides>(static clock => new Tides(clock))", "JV101", "clock", "" },
        { "Scoped.FromAsync(async (IClock clock) => { await Task.Yield(); return new Tides(clock); })", "JV101", "IClock clock", "" },
        { "Decorator.From((ITides inner, Berth berth) => new LoudTides(inner)), Singleton.Value<ITides>(new Tides(new HarbourClock()))", "JV101", "Berth berth", "" },

        // Classes
        { "Singleton.Of<Desk>(), Singleton.Of<IClock, HarbourClock>()", "JV103", "Desk", "Singleton.Of<Desk>()" },
        { "Singleton.Of<Chosen>(), Singleton.Of<IClock, HarbourClock>(), Singleton.Of<Berth>()", "JV103", "Chosen", "Singleton.Of<Chosen>()" },
        { "Singleton.Of<Almanac>(), Singleton.Of<IClock, HarbourClock>()", "JV506", "Func<IClock> clock", "Singleton.Of<Almanac>()" },
        { "Singleton.From((Func<IClock> clock) => new Almanac(clock)), Singleton.Of<IClock, TideClock>()", "JV506", "Func<IClock> clock", "" },

        // The second of two
        { "Singleton.Of<ITides, Tides>(), Singleton.Of<IClock, HarbourClock>(), Singleton.Of<IClock, TideClock>()", "JV202", "Singleton.Of<IClock, TideClock>()", "Singleton.Of<IClock, HarbourClock>()" },
        { "Singleton.Of<Berth>(), Singleton.Of<Berth>()", "JV204", "Singleton.Of<Berth>()", "Singleton.Of<Berth>()" },
        { "Singleton.Of<Berth>(), Transient.Of<Berth>().Accept(\"JV501\", \"x\")", "JV204", "Transient.Of<Berth>()", "Singleton.Of<Berth>()" },

        // Registrations
        { "Singleton.Of<ITides, Tides>()", "JV101", "Singleton.Of<ITides, Tides>()", "" },
        { "Singleton.Of<Watch>().Marked(\"quay\")", "JV101", "Singleton.Of<Watch>()", "" },
        { "Singleton.Of<Roster>(), Scoped.Of<Session>()", "JV301", "Singleton.Of<Roster>()", "" },
        { "Singleton.Of(typeof(ITides), typeof(Berth))", "JV104", "Singleton.Of(typeof(ITides), typeof(Berth))", "" },
        { "Decorator.Of<ITides, LoudTides>()", "JV205", "Decorator.Of<ITides, LoudTides>()", "" },

        // Helpers
        { "Storage.Part<Watch>(), Storage.Part<Berth>()", "JV101", "Storage.Part<Watch>()", "" },
        { "Storage.Part<Berth>(\"a\"), Storage.Part<Watch>(\"b\")", "JV101", "Storage.Part<Watch>(\"b\")", "" },
    };

    [Theory]
    [MemberData(nameof(Places))]
    public void A_diagnostic_underlines_the_words_to_change(string entries, string code, string words, string other)
    {
        AnalyzedSource source = AnalyzedSource.OfText($"public static class Office {{ [CheckedWiring] public static Wiring W => [{entries}]; }}{World}");

        Diagnostic found = Assert.Single(source.Analyze(), each => each.Id == code);

        Assert.Equal(words, TextAt(found.Location));
        Assert.Equal(other, string.Join(", ", found.AdditionalLocations.Select(TextAt)));
        Assert.Contains(source.CheckFaults(), each => each.Fault.Code == code);
    }

    [Fact]
    public void In_a_loop_the_element_tells_registrations_apart()
    {
        AnalyzedSource source = AnalyzedSource.OfText(
            "public static class Office { [CheckedWiring] public static Wiring W => [.. new[] { typeof(Berth), typeof(Watch) }.Select(type => Singleton.Of(type))]; }"
            + World);

        Assert.Equal("typeof(Watch)", TextAt(Assert.Single(source.Analyze()).Location));
    }

    [Fact]
    public void What_an_extension_method_adds_is_shown_where_it_is_written()
    {
        AnalyzedSource source = AnalyzedSource.OfText(
            "public static class Office { public static Container B() { Wiring w = []; w.AddTides(); return w.Build(); } }" + World);

        Assert.Equal("Singleton.Of<ITides, Tides>()", TextAt(Assert.Single(source.Analyze()).Location));
    }

    private static string TextAt(Location location) =>
        location.SourceTree!.GetText(TestContext.Current.CancellationToken).ToString(location.SourceSpan);
}
