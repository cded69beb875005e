namespace Junctivor.Writing;

/// <summary>Ways through variables, where nothing unforeseen happens to them.</summary>
internal static class StatementWays
{
    public static IReadOnlyList<Way> All { get; } =
    [
        Local("variable", (w, n, e) => w.AddStatement($"Wiring {n} = {w.Compose(e)};")),
        Local("variable of inferred type", (w, n, e) => w.AddStatement($"var {n} = {ProgramWriter.Parenthesized(w.Compose(e))};")),
        Local("variable that is added to", (w, n, e) =>
        {
            w.AddStatement($"Wiring {n} = {w.Compose([.. e.Skip(1)])};");
            w.AddStatement($"{n}.Add({e[0]});");
        }),
        Local("variable that is read", (w, n, e) =>
        {
            w.AddStatement($"Wiring {n} = {w.Compose(e)};");
            w.AddStatement($"if ({n}.Count > 1000 || {n}.Check().All.Count > 1000) Console.WriteLine($\"{{{n}}} {{nameof({n})}}\");");
            w.AddStatement($"foreach (Registration each in {n}) GC.KeepAlive(each);");
            w.AddStatement($"ArgumentNullException.ThrowIfNull({n});");
        }),
        Local("variable of a sequence", (w, n, e) => w.AddStatement($"IReadOnlyList<Registration> {n} = {ProgramWriter.Collection(e)};"), "[.. {0}]"),
        Local("variable of a span", (w, n, e) => w.AddStatement($"ReadOnlySpan<Registration> {n} = {ProgramWriter.Collection(e)};"), "[.. {0}]"),
        Local("variable of an array", (w, n, e) => w.AddStatement($"Registration[] {n} = {ProgramWriter.Collection(e)};"), "[.. {0}]"),
        Local("variables of registrations", (w, n, e) => w.AddStatement($"var {n} = {w.Registration()};"), "[{0}, {0}]"),
        Local("two variables", (w, n, e) =>
        {
            w.AddStatement($"Wiring {n}a = {w.Compose(e)};");
            w.AddStatement($"Wiring {n} = {n}a;");
        }),
        Local("local function", (w, n, e) =>
        {
            w.AddStatement($"var {n}r = {w.Registration()};");
            w.AddStatement($"Wiring {n}() => [{n}r, .. {ProgramWriter.Parenthesized(w.Outside(() => w.Compose(e)))}];");
        }, "[.. {0}(), .. {0}()]"),
        Local("static local function", (w, n, e) => w.AddStatement($"static Wiring {n}(bool on) => on ? {ProgramWriter.Parenthesized(w.Outside(() => w.Compose(e)))} : [];"), "{0}(true)"),
        Local("lambda in a variable", (w, n, e) => w.AddStatement($"Func<Wiring> {n} = () => {w.Outside(() => w.Compose(e))};"), "{0}()"),
        Local("flag in a variable", (w, n, e) =>
        {
            w.AddStatement($"bool {n}f = Flags.Maybe;");
            w.AddStatement($"Wiring {n} = [.. Wiring.If({n}f, {ProgramWriter.Parenthesized(w.Compose(e))}), .. Wiring.If(!{n}f, [Singleton.Of<K0>()])];");
        }),
        Local("constant mark", (w, n, e) =>
        {
            w.AddStatement($"const string {n}m = \"a\";");
            w.AddStatement($"Wiring {n} = [.. {ProgramWriter.Parenthesized(w.Compose(e))}, Singleton.Of<I1, K1>().Marked({n}m)];");
        }),
        Local("mark in a variable", (w, n, e) =>
        {
            w.AddStatement($"string {n}m = \"a\";");
            w.AddStatement($"Wiring {n} = [.. {ProgramWriter.Parenthesized(w.Compose(e))}, Singleton.Of<I1, K1>().Marked({n}m)];");
        }),
        Local("scope level in a variable", (w, n, e) =>
        {
            w.AddStatement($"ScopeLevel {n}l = new(\"{n}\");");
            w.AddStatement($"Wiring {n} = [.. {ProgramWriter.Parenthesized(w.Compose(e))}, {n}l.Of<I4, K4>()];");
        }),
        Local("member with statements", (w, n, e) =>
        {
            string body = w.Outside(() => w.Body(() => w.Compose(e)));
            w.AddMember($"public static Wiring {n}() {body}");
        }, "M.{0}()"),
        Local("extension that adds to a new wiring", (w, n, e) =>
        {
            w.AddType($"public static class {n}X {{ public static Wiring Add{n}(this Wiring wiring) {{ wiring.Add({w.Registration()}); return wiring; }} }}");
            w.AddStatement($"Wiring {n} = {ProgramWriter.Parenthesized(w.Compose(e))}.Add{n}();");
        }),
    ];

    /// <summary>A variable, and what it is used as.</summary>
    public static Way Local(string name, Action<ProgramWriter, string, IReadOnlyList<string>> declare, string use = "{0}") =>
        new(name, Place.Block, (w, e) =>
        {
            string variable = w.Name("v");
            declare(w, variable, e);
            return string.Format(System.Globalization.CultureInfo.InvariantCulture, use, variable);
        });
}
