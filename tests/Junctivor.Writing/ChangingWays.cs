namespace Junctivor.Writing;

/// <summary>Ways in which a variable or member is changed by something else than a plain call of <c>Add</c>.</summary>
internal static class ChangingWays
{
    public static IReadOnlyList<Way> All { get; } =
    [
        Changed("extension", "{0}.Add{0}();", "public static void Add{0}(this Wiring wiring) => wiring.Add({1});"),
        Changed("fluent extension", "{0}.Add{0}().Add{0}();", "public static Wiring Add{0}(this Wiring wiring) {{ wiring.Add({1}); return wiring; }}"),
        Changed("extension with a callback", "{0}.Add{0}(wiring => wiring.Add({1}));", "public static void Add{0}(this Wiring wiring, Action<Wiring> more) => more(wiring);"),
        Changed("generic extension", "{0}.Add{0}<K2>();", "public static void Add{0}<T>(this Wiring wiring) where T : class => wiring.Add(Singleton.Of<T>());"),
        Changed("extension block", "{0}.Add{0}();", "extension(Wiring wiring) {{ public void Add{0}() => wiring.Add({1}); }}"),
        Changed("static method", "{0}X.Fill({0});", "public static void Fill(Wiring wiring) => wiring.Add({1});"),
        Changed("method through an interface", "{0}X.Fill({0});", "public static void Fill(IEnumerable<Registration> wiring) => ((Wiring)wiring).Add({1});"),
        Changed("method that takes an object", "{0}X.Fill({0});", "public static void Fill(object wiring) => ((Wiring)wiring).Add({1});"),
        Changed("reference", "{0}X.Fill(ref {0});", "public static void Fill(ref Wiring wiring) => wiring = [.. wiring, {1}];"),
        Changed("builder", "new {0}X.Builder({0}).Add();", "public sealed class Builder(Wiring wiring) {{ public void Add() => wiring.Add({1}); }}"),
        Changed("local function", "Add{0}(); void Add{0}() => {0}.Add({1});"),
        Changed("lambda", "Action add{0} = () => {0}.Add({1}); add{0}();"),
        Changed("method group", "Action<Registration> add{0} = {0}.Add; add{0}({1});"),
        Changed("ForEach", "new List<Registration> {{ {1} }}.ForEach({0}.Add);"),
        Changed("branch", "if (Flags.Maybe) {{ {0}.Add({1}); }}"),
        Changed("loop", "for (int number = 0; number < 2; number++) {{ {0}.Add({1}); }}"),
        Changed("loop over registrations", "foreach (Registration each in new Registration[] {{ {1} }}) {0}.Add(each);"),
        Changed("try", "try {{ {0}.Add({1}); }} finally {{ }}"),
        Changed("switch statement", "switch (Flags.Maybe) {{ case true: {0}.Add({1}); break; }}"),
        Changed("goto", "int turn{0} = 0; again{0}: {0}.Add({1}); if (turn{0}++ < 1) goto again{0};"),
        Changed("other name", "Wiring same{0} = {0}; same{0}.Add({1});"),
        Changed("pattern", "if ({0} is Wiring same{0}) same{0}.Add({1});"),
        Changed("cast", "((Wiring)(object){0}).Add({1});"),
        Changed("null-conditional", "{0}?.Add({1});"),
        Changed("Wiring.If", "Wiring.If(true, {0}).Add({1});"),
        Changed("array element", "Wiring[] all{0} = [{0}]; all{0}[0].Add({1});"),
        Changed("tuple", "var pair{0} = ({0}, 1); pair{0}.Item1.Add({1});"),
        Changed("anonymous object", "var pair{0} = new {{ W = {0} }}; pair{0}.W.Add({1});"),
        Changed("dynamic", "dynamic same{0} = {0}; same{0}.Add({1});"),
        Changed("assignment", "{0} = [.. {0}, {1}];"),
        Changed("assignment in a branch", "if (Flags.Maybe) {0} = [{1}];"),
        Changed("tuple assignment", "({0}, int count{0}) = ([.. {0}, {1}], 1);"),
        Changed("reference variable", "ref Wiring same{0} = ref {0}; same{0} = [{1}];"),
        Changed("coalescing assignment", "{0} ??= [{1}];"),
        Changed("field", "{0}X.Kept = {0}; {0}X.Kept.Add({1});", "public static Wiring Kept = [];"),
        ChangedList("AddRange", "{0}.AddRange([{1}]);"),
        ChangedList("Insert", "{0}.Insert(0, {1});"),
        ChangedList("RemoveAt", "{0}.Add({1}); {0}.RemoveAt(0);"),
        ChangedList("element", "{0}[0] = {1};"),
        ChangedList("Reverse", "{0}.Reverse();"),
        ChangedList("interface of a list", "IList<Registration> same{0} = {0}; same{0}.Add({1});"),
        ChangedList("span of a list", "System.Runtime.InteropServices.CollectionsMarshal.AsSpan({0})[0] = {1};"),
        new("registration in a branch", Place.Block, (w, e) =>
        {
            string name = w.Name("r");
            w.AddStatement($"Registration {name} = {w.Registration()}; if (Flags.Maybe) {name} = {w.Registration()};");
            return ProgramWriter.Collection([.. w.Nested(e), name]);
        }),
        new("registration by tuple", Place.Block, (w, e) =>
        {
            string name = w.Name("r");
            w.AddStatement($"Registration {name} = {w.Registration()}; ({name}, int {name}n) = ({w.Registration()}, 0);");
            return ProgramWriter.Collection([.. w.Nested(e), name]);
        }),
        new("registration by reference", Place.Block, (w, e) =>
        {
            string name = w.Name("r");
            w.AddStatement(
                $"Registration {name} = {w.Registration()}; ref Registration {name}s = ref {name}; {name}s = {w.Registration()};");
            return ProgramWriter.Collection([.. w.Nested(e), name]);
        }),
        new("option that is thrown away", Place.Block, (w, e) =>
        {
            string name = w.Name("r");
            w.AddStatement($"var {name} = Singleton.Of<I2, K2>(); {name}.Marked(\"a\");");
            return ProgramWriter.Collection([.. w.Nested(e), name]);
        }),
        new("kept and added to elsewhere", Place.Block, (w, e) =>
        {
            string name = w.Name("W");
            string value = w.Outside(() => w.Compose(e));
            w.AddMember($"public static readonly Wiring {name} = {value}; public static Wiring Get{name} => {name}; public static void Fill{name}() => Get{name}.Add({w.Registration()});");
            w.AddStatement($"M.Fill{name}();");
            return $"M.{name}";
        }),
        new("kept and added to through an interface", Place.Block, (w, e) =>
        {
            string name = w.Name("W");
            string value = w.Outside(() => w.Compose(e));
            w.AddMember($"public static readonly Wiring {name} = {value}; public interface IHas{name} {{ Wiring All {{ get; }} }} public sealed class Has{name} : IHas{name} {{ public Wiring All => {name}; }}");
            w.AddStatement($"M.IHas{name} has{name} = new M.Has{name}(); has{name}.All.Add({w.Registration()});");
            return $"M.{name}";
        }),
        new("property that is set", Place.Block, (w, e) =>
        {
            string name = w.Name("R");
            w.AddMember($"public static Registration {name} {{ get; set; }} = {w.Registration()};");
            w.AddStatement($"M.{name} = {w.Registration()};");
            return ProgramWriter.Collection([.. w.Nested(e), $"M.{name}"]);
        }),
    ];

    /// <summary>A variable with a wiring, and a statement that changes it.</summary>
    private static Way Changed(string name, string statement, string? helper = null) =>
        StatementWays.Local($"changed by {name}", (w, n, e) =>
        {
            w.AddStatement($"Wiring {n} = {w.Compose(e)};");
            Change(w, n, statement, helper);
        });

    private static Way ChangedList(string name, string statement) => StatementWays.Local(
        $"list changed by {name}",
        (w, n, e) =>
        {
            w.AddStatement($"List<Registration> {n} = {ProgramWriter.Collection(e)};");
            Change(w, n, statement, null);
        },
        "[.. {0}]");

    public static void Change(ProgramWriter w, string name, string statement, string? helper)
    {
        string more = w.Registration();
        if (helper is not null)
        {
            w.AddType($"public static class {name}X {{ {Format(helper, name, more)} }}");
        }

        w.AddStatement(Format(statement, name, more));
    }

    private static string Format(string text, string name, string registration) =>
        string.Format(System.Globalization.CultureInfo.InvariantCulture, text, name, registration);
}
