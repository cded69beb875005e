namespace Junctivor.Writing;

/// <summary>Ways through members of classes.</summary>
internal static class MemberWays
{
    public static IReadOnlyList<Way> All { get; } =
    [
        Member("property", (n, v) => $"public static Wiring {n} => {v};"),
        Member("property with a body", (n, v) => $"public static Wiring {n} {{ get {{ return {v}; }} }}"),
        Member("kept property", (n, v) => $"public static Wiring {n} {{ get; }} = {v};"),
        Member("field", (n, v) => $"public static readonly Wiring {n} = {v};"),
        Member(
            "private field behind a property",
            (n, v) => $"private static readonly Wiring _{n} = {v}; public static Wiring {n} => _{n};"),
        Member("field that could be set", (n, v) => $"public static Wiring {n} = {v};"),
        Member("property that could be set", (n, v) => $"public static Wiring {n} {{ get; set; }} = {v};"),
        Member("property with a field", (n, v) => $"public static Wiring {n} {{ get => [.. field, Singleton.Of<K0>().IfMissing()]; }} = {v};"),
        Member("sequence", (n, v) => $"public static IReadOnlyCollection<Registration> {n} => {v.Parenthesized()};", "[.. {0}]"),
        Member("enumerator", (n, v) => $"public static IEnumerable<Registration> {n} {{ get {{ foreach (var each in {v.Parenthesized()}) yield return each; }} }}", "[.. {0}]"),
        Member("method", (n, v) => $"public static Wiring {n}() => {v};", "{0}()"),
        Member("method with a default", (n, v) => $"public static Wiring {n}(bool on = true, params string[] names) => [.. Wiring.If(on, {v.Parenthesized()})];", "{0}()"),
        Member(
            "generic method",
            (n, v) => $"public static Wiring {n}<T>() where T : class => [.. {v.Parenthesized()}, Transient.Of<T>()];",
            "{0}<K1>()"),
        Member("generic method of two classes", (n, v) => $"private static Wiring Own{n}<T>() where T : class => [Transient.Of<T>()]; public static Wiring {n} => [.. {v.Parenthesized()}, .. Own{n}<K1>(), .. Own{n}<K2>()];"),
        Member("helper for each", (n, v) => $"private static Registration Own{n}<T>() where T : class => Scoped.Of<T>(); public static Wiring {n} => [.. {v.Parenthesized()}, Own{n}<K3>(), Own{n}<K4>()];"),
        Member("type of a parameter", (n, v) => $"public static Wiring {n}(Type type) => [.. {v.Parenthesized()}, Singleton.Of(type)];", "{0}(typeof(K2))"),
        Member("mark of a parameter", (n, v) => $"public static Wiring {n}(string mark) => [.. {v.Parenthesized()}, Singleton.Of<I2, K2>().Marked(mark)];", "{0}(\"a\")"),
        Member("registration of a parameter", (n, v) => $"public static Wiring {n}(Registration more) => [.. {v.Parenthesized()}, more];", "{0}(Singleton.Of<K5>())"),
        Member("registrations of a parameter", (n, v) => $"public static Wiring {n}(params Registration[] more) => [.. {v.Parenthesized()}, .. more];", "{0}(Singleton.Of<K5>(), Scoped.Of<K4>())"),
        Member("no registrations of a parameter", (n, v) => $"public static Wiring {n}(params IEnumerable<Registration> more) => [.. {v.Parenthesized()}, .. more];", "{0}()"),
        Member("list of a parameter", (n, v) => $"public static Wiring {n}(params List<Registration> more) => [.. {v.Parenthesized()}, .. more];", "{0}(Singleton.Of<K5>())"),
        Member("wiring of a parameter", (n, v) => $"private static Wiring Around{n}(Wiring inner) => [.. inner]; public static Wiring {n} => Around{n}({v});"),
        Member("wiring of a parameter twice", (n, v) => $"private static Wiring Around{n}(Wiring inner) => [.. inner, .. inner]; public static Wiring {n} => Around{n}({v});"),
        Member("optional parameter that is added to", (n, v) => $"private static Wiring Around{n}(Wiring inner) {{ inner.Add(Singleton.Of<K0>()); return inner; }} public static Wiring {n} => Around{n}({v});"),
        Member("flag of a parameter", (n, v) => $"private static Wiring Own{n}(bool on) => on ? {v.Parenthesized()} : []; public static Wiring {n} => [.. Own{n}(true), .. Own{n}(false)];"),
        Member("flag that is assigned", (n, v) => $"public static Wiring {n}(bool on) {{ on |= Flags.Maybe; return on ? {v.Parenthesized()} : []; }}", "{0}(false)"),
        Member("type that is assigned", (n, v) => $"public static Wiring {n}(Type type) {{ type = typeof(K3); return [.. {v.Parenthesized()}, Singleton.Of(type)]; }}", "{0}(typeof(K2))"),
        Member("registration that is assigned", (n, v) => $"public static Wiring {n}(Registration one) {{ if (Flags.Maybe) one = Singleton.Of<K4>(); return [.. {v.Parenthesized()}, one]; }}", "{0}(Singleton.Of<K5>())"),
        Member("kept registration", (n, v) => $"private static readonly Registration Own{n} = Singleton.Of<I3, K3>(); public static Wiring {n} => [Own{n}, .. {v.Parenthesized()}, Own{n}];"),
        Member("registration set by a constructor", (n, v) => $"public static class Own{n} {{ public static readonly Registration One = Singleton.Of<K3>(); static Own{n}() => One = Singleton.Of<K4>(); }} public static Wiring {n} => [.. {v.Parenthesized()}, Own{n}.One];"),
        Member("wiring set by a constructor", (n, v) => $"public static class Own{n} {{ public static readonly Wiring All = {v}; public static readonly int Count; static Own{n}() {{ (All, Count) = ([.. All, Singleton.Of<K4>()], 2); }} }} public static Wiring {n} => Own{n}.All;"),
        Member("wiring added to by a constructor", (n, v) => $"public static class Own{n} {{ public static readonly Wiring All = {v}; static Own{n}() => All.Add(Singleton.Of<K4>()); }} public static Wiring {n} => Own{n}.All;"),
        Member("lazy", (n, v) => $"private static readonly Lazy<Wiring> _{n} = new(() => {v}); public static Wiring {n} => _{n}.Value;"),
        Member("delegate", (n, v) => $"private static readonly Func<Wiring> _{n} = () => {v}; public static Wiring {n} => _{n}();"),
        Member("condition with a method", (n, v) => $"private static Wiring Own{n}() => {v}; public static Wiring {n} => [.. Wiring.If(true, Own{n})];"),
        Member("kept by each closed class", (n, v) => $"private static class Of{n}<T> where T : class {{ public static readonly Wiring All = [Transient.Of<T>()]; }} public static Wiring {n} => [.. {v.Parenthesized()}, .. Of{n}<K0>.All, .. Of{n}<K1>.All, .. Of{n}<K0>.All];"),
        Member("factory of each closed class", (n, v) => $"private static class Of{n}<T> where T : class, new() {{ public static Registration One => Singleton.From(() => new T()); }} public sealed class New{n}; public sealed class Other{n}; public static Wiring {n} => [.. {v.Parenthesized()}, Of{n}<New{n}>.One, Of{n}<Other{n}>.One];"),
        Member("static abstract member", (n, v) => $"public interface IHas{n} {{ static abstract Wiring All {{ get; }} }} public sealed class Has{n} : IHas{n} {{ public static Wiring All => {v}; }} private static Wiring Of{n}<T>() where T : IHas{n} => T.All; public static Wiring {n} => [.. Of{n}<Has{n}>()];"),
        Member("virtual member", (n, v) => $"public class Has{n} {{ public virtual Wiring All => [Singleton.Of<K5>()]; }} public sealed class More{n} : Has{n} {{ public override Wiring All => {v}; }} public static Wiring {n} => ((Has{n})new More{n}()).All;"),
        Member("member of an object", (n, v) => $"public sealed class Has{n}(bool on) {{ public Wiring All => on ? {v.Parenthesized()} : [Singleton.Of<K5>()]; }} public static Wiring {n} => [.. new Has{n}(true).All, .. new Has{n}(false).All];"),
        Member("kept by an object", (n, v) => $"public sealed class Has{n} {{ public Wiring All {{ get; }} = {v}; public Wiring Twice => [.. All, .. All]; }} public static Wiring {n} => new Has{n}().Twice;"),
        Member("kept by two objects", (n, v) => $"public sealed class Has{n} {{ public readonly Wiring All = {v}; }} private static readonly Has{n} One{n} = new(), Other{n} = One{n}; public static Wiring {n} => [.. One{n}.All, .. Other{n}.All];"),
        Member(
            "given to an object",
            (n, v) => $"public sealed record Has{n}(Wiring All); public static Wiring {n} => new Has{n}({v}).All;"),
        Member("extension block", (n, v) => $"public static Wiring {n} => [.. Wiring.Own{n}, .. 3.Made{n}()];", "{0}", (w, n, v) =>
            w.AddType($"public static class Block{n} {{ extension(Wiring) {{ public static Wiring Own{n} => {v}; }} extension<T>(T value) {{ public Wiring Made{n}() => [Singleton.Of<K0>().IfMissing()]; }} }}")),
        Member("partial", (n, v) => $"public static Wiring {n} => Part{n}.All;", "{0}", (w, n, v) =>
            w.AddType($"public static partial class Part{n} {{ public static partial Wiring All {{ get; }} }} public static partial class Part{n} {{ public static partial Wiring All => {v}; }}")),
    ];

    private static string Parenthesized(this string wiring) => ProgramWriter.Parenthesized(wiring);

    /// <summary>A member of a static class, and how it is named.</summary>
    private static Way Member(
        string name, Func<string, string, string> declaration, string use = "{0}", Action<ProgramWriter, string, string>? more = null) =>
        new(name, more is null ? Place.Anywhere : Place.Program, (w, e) =>
        {
            string member = w.Name("W");
            string value = w.Outside(() => w.Compose(e));
            more?.Invoke(w, member, value);
            return string.Format(System.Globalization.CultureInfo.InvariantCulture, use, $"{w.AddMember(declaration(member, value))}.{member}");
        });
}
