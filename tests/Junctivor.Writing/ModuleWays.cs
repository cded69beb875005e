namespace Junctivor.Writing;

/// <summary>Ways in which modules and builders add to a wiring that they get.</summary>
internal static class ModuleWays
{
    public static IReadOnlyList<Way> All { get; } =
    [
        Adding("module of an interface", "new {0}X.Part().AddTo({0});", "public interface IPart {{ void AddTo(Wiring wiring); }} public sealed class Part : IPart {{ public void AddTo(Wiring wiring) => wiring.Add({1}); }}"),
        Adding("module with an option", "new {0}X.Part(Flags.Maybe).AddTo({0});", "public sealed class Part(bool on) {{ public void AddTo(Wiring wiring) {{ if (on) {{ wiring.Add({1}); }} }} }}"),
        Adding("modules in a loop", "foreach ({0}X.IPart part in new {0}X.IPart[] {{ new {0}X.Part(), new {0}X.Other(true) }}) {{ part.AddTo({0}); }}", "public interface IPart {{ void AddTo(Wiring wiring); }} public sealed class Part : IPart {{ public void AddTo(Wiring wiring) => wiring.Add({1}); }} public sealed class Other(bool on) : IPart {{ public void AddTo(Wiring wiring) {{ if (on) wiring.Add(Singleton.Of<K0>()); }} }}"),
        Adding("static abstract method", "{0}X.Put<{0}X.Part>({0});", "public interface IPart {{ static abstract void AddTo(Wiring wiring); }} public sealed class Part : IPart {{ public static void AddTo(Wiring wiring) => wiring.Add({1}); }} public static void Put<T>(Wiring wiring) where T : IPart => T.AddTo(wiring);"),
        Adding("passed down", "{0}X.Outer({0});", "public static void Outer(Wiring wiring) {{ Inner(wiring, Flags.Maybe); Inner(wiring, false); }} private static void Inner(Wiring wiring, bool on) {{ if (!on) {{ return; }} wiring.Add({1}); }}"),
        Adding("early return", "{0}.Add{0}(Flags.Maybe).Add{0}(true);", "public static Wiring Add{0}(this Wiring wiring, bool on) {{ if (!on) {{ return wiring; }} wiring.Add({1}); return wiring; }}"),
        Adding("chain in one expression", "{0} = {0}.Add{0}().Add{0}();", "public static Wiring Add{0}(this Wiring wiring) {{ wiring.Add({1}); return wiring; }}"),
        Adding("callback with options", "{0}.Add{0}(more: wiring => wiring.Add({1}));", "public static Wiring Add{0}(this Wiring wiring, int size = 3, Action<Wiring>? more = null) {{ if (size > 1) wiring.Add(Singleton.Of<K0>()); more?.Invoke(wiring); return wiring; }}"),
        Adding("no callback", "{0}.Add{0}();", "public static Wiring Add{0}(this Wiring wiring, Action<Wiring>? more = null) {{ wiring.Add({1}); more?.Invoke(wiring); return wiring; }}"),
        Adding("method group as callback", "{0}.Add{0}({0}X.Some);", "public static void Add{0}(this Wiring wiring, Action<Wiring> more) => more(wiring); public static void Some(Wiring wiring) => wiring.Add({1});"),
        Adding("types of an array", "foreach (Type type in {0}X.Types) {{ {0}.Add(Singleton.Of(type)); }}", "public static readonly Type[] Types = [typeof(K1), typeof(K2)];"),
        Adding("loop with continue", "foreach (bool on in new[] {{ true, false, Flags.Maybe }}) {{ if (!on) {{ continue; }} {0}.Add({1}); }}"),
        Adding("loop over a module", "foreach (Registration each in {0}X.All) {{ {0}.Add(each); }}", "public static Wiring All => [{1}, .. Wiring.If(Flags.Maybe, [Singleton.Of<K0>()])];"),
        Adding("else", "if (Flags.Maybe) {{ {0}.Add({1}); }} else {{ {0}.Add(Singleton.Of<K1>()); }}"),
        Adding("else if", "if ({0}X.Stage == 1) {{ {0}.Add({1}); }} else if ({0}X.Stage == 2) {{ {0}.Add(Singleton.Of<K1>()); }} else {{ {0}.Add(Singleton.Of<K2>()); }}", "public static readonly int Stage = Flags.Maybe ? 1 : 2;"),
        Adding("stages", "switch ({0}X.Stage) {{ case \"test\": case \"trial\": {0}.Add({1}); break; case \"shore\": break; default: {0}.Add(Singleton.Of<K1>()); break; }}", "public static readonly string Stage = Flags.Maybe ? \"trial\" : \"shore\";"),
        Adding("stage of a parameter", "{0}.Add{0}(\"test\");", "public static void Add{0}(this Wiring wiring, string stage) {{ if (stage == \"test\") {{ wiring.Add({1}); }} else if (stage != \"none\") {{ wiring.Add(Singleton.Of<K1>()); }} }}"),
        Adding("lock", "lock ({0}) {{ {0}.Add({1}); }}"),
        Adding("using", "using (new System.IO.MemoryStream()) {{ {0}.Add({1}); }} using var stream{0} = new System.IO.MemoryStream();"),
        Adding("thrown", "if ({0}.Count > 1000) {{ throw new InvalidOperationException(); }} {0}.Add({1});"),
        Adding("caught and thrown", "try {{ {0}.Add({1}); }} catch (Exception) {{ Console.WriteLine(); throw; }}"),
        Adding("short circuit", "_ = Flags.Maybe && {0}X.Put({0});", "public static bool Put(Wiring wiring) {{ wiring.Add({1}); return true; }}"),
        Adding("function that is called twice", "void Put{0}(bool on) {{ if (on) {0}.Add({1}); }} Put{0}(true); Put{0}(Flags.Maybe);"),
        Adding("action with a parameter", "Action<Registration> put{0} = each => {0}.Add(each); put{0}({1});"),
        Adding("while", "int left{0} = 1; while (left{0}-- > 0) {{ {0}.Add({1}); }}"),
        Adding("scope of an object", "new {0}X.Builder({0}).Storage().Desk();", "public sealed class Builder(Wiring wiring) {{ public Builder Storage() {{ wiring.Add({1}); return this; }} public Builder Desk() {{ wiring.Add(Singleton.Of<K1>()); return this; }} }}"),
        AddingList("AddRange of a wiring", "{0}.AddRange({0}X.All);", "public static Wiring All => [{1}];"),
        AddingList("two lists", "List<Registration> more{0} = []; more{0}.Add({1}); {0}.AddRange(more{0});"),
        Returning("several returns", "if (!Flags.Maybe) {{ return [{2}]; }} return {1};"),
        Returning("returns of a switch", "switch (Flags.Maybe) {{ case true: return {1}; default: return [.. {1}, {2}]; }}"),
        Returning("return in a using", "using (new System.IO.MemoryStream()) {{ Wiring made = {1}; made.Add({2}); return made; }}"),
        Returning(
            "variable without a first value",
            "Wiring made; if (Flags.Maybe) {{ made = {1}; }} else {{ made = [{2}]; }} return made;"),
        Returning("variable that is built up", "Wiring made = {1}; made = [.. made, {2}]; made.Add(Singleton.Of<K0>()); return made;"),
        Returning("list that is copied", "List<Registration> made = new({1}) {{ {2} }}; return [.. made];"),
        Member("elements that are yielded", "public static IEnumerable<Registration> {0} {{ get {{ yield return {2}; if (Flags.Maybe) {{ yield return Singleton.Of<K1>(); }} foreach (var each in {1}) {{ yield return each; }} }} }}", "[.. {0}]"),
        Member("made once", "private static Wiring? _{0}; public static Wiring {0} => _{0} ??= {1};"),
        Member("completed by a static constructor", "public static class Own{0} {{ public static readonly Wiring All; static Own{0}() {{ All = {1}; All.Add({2}); }} }} public static Wiring {0} => [.. Own{0}.All, .. Own{0}.All];"),
        Member("base member", "public class Base{0} {{ protected virtual Wiring Create() => {1}; }} public sealed class Own{0} : Base{0} {{ protected override Wiring Create() => [.. base.Create(), {2}]; public Wiring All => Create(); }} public static Wiring {0} => new Own{0}().All;"),
        Member("base member that calls", "public abstract class Base{0} {{ protected abstract Wiring Own(); public Wiring All => [.. Own(), {2}]; }} public sealed class Own{0} : Base{0} {{ protected override Wiring Own() => {1}; }} public static Wiring {0} => new Own{0}().All;"),
        Member("selected modules", "private static Wiring One{0} => {1}; private static Wiring Two{0} => [{2}]; public static Wiring {0} => [.. new Wiring[] {{ One{0}, Two{0} }}.SelectMany(each => each)];"),
        Member("selected classes", "public static Wiring {0} => [.. {1}, .. new[] {{ typeof(K1), typeof(K2) }}.Where(type => Flags.Maybe).Select(type => Scoped.Of(type)).ToArray()];"),
        Member("awaited method", "private static async Task<Wiring> Make{0}() {{ await Task.Yield(); Wiring made = {1}; made.Add({2}); return made; }} public static Wiring {0} => Make{0}().GetAwaiter().GetResult();"),
        Member("value task", "private static ValueTask<Wiring> Make{0}() => new({1}); public static Wiring {0} => Make{0}().Result;"),
        Member("registration of several returns", "private static Registration One{0}(bool on) {{ if (on) {{ return {2}; }} return Singleton.Of<K1>(); }} public static Wiring {0} => [.. {1}, One{0}(Flags.Maybe), One{0}(true)];"),
        Member("builder", "public sealed class Builder{0} {{ private readonly Wiring _all = []; public Builder{0} Storage() {{ _all.Add({2}); return this; }} public Builder{0} With(Wiring more) {{ foreach (var each in more) {{ _all.Add(each); }} return this; }} public Wiring All => _all; }} public static Wiring {0} => new Builder{0}().Storage().With({1}).All;"),
        Member("builder in a variable", "public sealed class Builder{0} {{ private readonly Wiring _all = [Singleton.Of<K0>()]; public void Storage(bool on) {{ if (on) {{ _all.Add({2}); }} }} public Wiring Make() {{ return [.. _all, .. {1}]; }} }} public static Wiring {0} {{ get {{ var builder = new Builder{0}(); builder.Storage(Flags.Maybe); builder.Storage(true); return builder.Make(); }} }}"),
    ];

    private static Way Adding(string name, string statement, string? helper = null) =>
        StatementWays.Local(name, (w, n, e) =>
        {
            w.AddStatement($"Wiring {n} = {w.Compose(e)};");
            ChangingWays.Change(w, n, statement, helper);
        });

    private static Way AddingList(string name, string statement, string? helper = null) => StatementWays.Local(
        name,
        (w, n, e) =>
        {
            w.AddStatement($"List<Registration> {n} = {ProgramWriter.Collection(e)};");
            ChangingWays.Change(w, n, statement, helper);
        },
        "[.. {0}]");

    /// <summary>A method with statements.</summary>
    private static Way Returning(string name, string statements) =>
        Member(name, $"public static Wiring {{0}}() {{{{ {statements} }}}}", "{0}()");

    private static Way Member(string name, string declaration, string use = "{0}") => new(name, Place.Anywhere, (w, e) =>
    {
        string member = w.Name("W");
        string value = ProgramWriter.Parenthesized(w.Outside(() => w.Compose(e)));
        string around = w.AddMember(string.Format(
            System.Globalization.CultureInfo.InvariantCulture, declaration, member, value, w.Registration()));
        return string.Format(System.Globalization.CultureInfo.InvariantCulture, use, $"{around}.{member}");
    });
}
