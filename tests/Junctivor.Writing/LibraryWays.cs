namespace Junctivor.Writing;

/// <summary>Ways through a module of another project.</summary>
internal static class LibraryWays
{
    public static IReadOnlyList<Way> All { get; } =
    [
        Module("property of another project", (n, v) => $"public static Wiring {n} => {v};"),
        Module("property of another project twice", (n, v) => $"public static Wiring {n} => {v};", "[.. {0}, .. {0}]"),
        Module("field of another project", (n, v) => $"public static readonly Wiring {n} = {v};", "[.. {0}, .. {0}]"),
        Module("method of another project", (n, v) => $"public static Wiring {n}(bool on) => on ? {ProgramWriter.Parenthesized(v)} : [];", "{0}(true)"),
        Module("method of another project twice", (n, v) => $"public static Wiring {n}(bool on) => on ? {ProgramWriter.Parenthesized(v)} : [Singleton.Of<K5>()];", "[.. {0}(true), .. {0}(false)]"),
        Module("method with a flag of another project", (n, v) => $"public static Wiring {n}(bool on) => on ? {ProgramWriter.Parenthesized(v)} : [];", "{0}(Flags.Maybe)"),
        Module("generic method of another project", (n, v) => $"public static Wiring {n}<T>() where T : class => [.. {ProgramWriter.Parenthesized(v)}, Transient.Of<T>()];", "[.. {0}<K0>(), .. {0}<K1>()]"),
        Module("mark of another project", (n, v) => $"public static Wiring {n}(string mark) => [.. {ProgramWriter.Parenthesized(v)}, Singleton.Of<I2, K2>().Marked(mark)];", "{0}(\"a\")"),
        Module("mark that another project assigns", (n, v) => $"public static Wiring {n}(string mark) {{ mark = mark.ToLowerInvariant(); return [.. {ProgramWriter.Parenthesized(v)}, Singleton.Of<I2, K2>().Marked(mark)]; }}", "{0}(\"A\")"),
        Module("place of the caller", (n, v) => $"public static Wiring {n}([System.Runtime.CompilerServices.CallerFilePath] string file = \"\", [System.Runtime.CompilerServices.CallerLineNumber] int line = 0) => [.. {ProgramWriter.Parenthesized(v)}, Singleton.Of<I2, K2>(file, line)];", "{0}()"),
        Module("registrations for another project", (n, v) => $"public static Wiring {n}(params Registration[] more) => [.. {ProgramWriter.Parenthesized(v)}, .. more];", "{0}(Singleton.Of<K5>())"),
        Module("registration of another project", (n, v) => $"public static readonly Registration {n} = Singleton.Of<I1, K1>();", "[{0}, {0}]"),
        Module("modules of another project with one registration", (n, v) => $"private static readonly Registration Own{n} = Singleton.Of<I1, K1>(); public static Wiring {n} => [Own{n}]; public static Wiring Other{n} => [.. {ProgramWriter.Parenthesized(v)}, Own{n}];", "[.. {0}, .. Mod.Other{1}]"),
        Module("closed classes of another project", (n, v) => $"private static class Of{n}<T> where T : class {{ public static readonly Wiring All = [Transient.Of<T>()]; }} public static Wiring {n} => [.. {ProgramWriter.Parenthesized(v)}, .. Of{n}<K0>.All, .. Of{n}<K1>.All];"),
        Module("generic class of another project", (n, v) => $"public static class Of{n}<T> where T : class {{ public static readonly Wiring All = [Transient.Of<T>()]; }} public static Wiring {n} => {v};", "[.. {0}, .. Mod.Of{1}<K0>.All]"),
        Module("extension of another project", (n, v) => $"public static Wiring {n} => {v}; public static Wiring Add{n}(this Wiring wiring) {{ wiring.Add(Singleton.Of<K3>()); return wiring; }}", "{0}.Add{1}()"),
        Changed("wiring of another project that is added to", "Mod.{0}.Add({1});"),
        Changed("wiring that another project adds to", "Mod.Fill{0}();"),
        new("variable that another project adds to", Place.Library, (w, e) =>
        {
            if (!w.IsInBlock)
            {
                return w.Compose(e);
            }

            string name = w.Name("W");
            w.InLibrary(() => w.AddMember($"public static void Fill{name}(Wiring wiring) => wiring.Add(Singleton.Of<K3>());"));
            w.AddStatement($"Wiring {name} = {w.Compose(e)}; Mod.Fill{name}({name});");
            return name;
        }),
        Module("scope level of another project", (n, v) => $"public static readonly ScopeLevel Level{n} = new(\"{n}\"); public static Wiring {n} => [.. {ProgramWriter.Parenthesized(v)}, Level{n}.Of<I4, K4>()];", "[.. {0}, Mod.Level{1}.Of<K5>()]"),
        Module("loop of another project", (n, v) => $"public static Wiring {n} {{ get {{ Wiring all = []; foreach (var each in {ProgramWriter.Parenthesized(v)}) all.Add(each); return all; }} }}"),
    ];

    /// <summary>A member of the other project, and how the program uses it.</summary>
    private static Way Module(string name, Func<string, string, string> declaration, string use = "{0}") =>
        new(name, Place.Library, (w, e) =>
        {
            string member = w.Name("W");
            w.InLibrary(() => w.AddMember(declaration(member, w.Compose(e))));
            return string.Format(System.Globalization.CultureInfo.InvariantCulture, use, $"Mod.{member}", member);
        });

    /// <summary>A wiring that the other project keeps, and a statement after which it has another registration.</summary>
    private static Way Changed(string name, string statement) => new(name, Place.Library, (w, e) =>
    {
        if (!w.IsInBlock)
        {
            return w.Compose(e);
        }

        string member = w.Name("W");
        w.InLibrary(() => w.AddMember(
            $"public static readonly Wiring {member} = {w.Compose(e)}; public static void Fill{member}() => {member}.Add(Singleton.Of<K3>());"));
        w.AddStatement(string.Format(System.Globalization.CultureInfo.InvariantCulture, statement, member, w.Registration()));
        return $"Mod.{member}";
    });
}
