using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Tests;

/// <summary>
/// Programs that run. The compiler must not claim a fault of any of them, however their wirings come about: what it does not follow, it
/// says.
/// </summary>
public class SoundProgramTests
{
    private const string World = """

        public class A; public class B; public class Box<T>; public class Needs(A a) { public A A => a; }
        """;

    /// <summary>A module of another project; the programs name it <c>L</c>.</summary>
    private const string Module = """
        namespace L;
        public static class Mod
        {
            public static readonly Wiring Shared = [Singleton.Of<Needs>()];
            public static readonly Wiring Untouched = [Singleton.Of<A>()];
            public static void Init() => Shared.AddA();
            public static Wiring AddMail(this Wiring w) { w.Add(Singleton.Of<A>()); return w; }
            public static partial class Parts { public static partial void More(Wiring w, bool on); }
            public static partial class Parts { public static partial void More(Wiring w, bool on) { if (on) { w.Add(Singleton.Of<A>()); } } }
            public static IEnumerable<int> Later(Wiring w) { w.Add(Singleton.Of<Needs>()); yield return 1; }
            public static async Task AddAsync(Wiring w) { await Task.Delay(-1); w.Add(Singleton.Of<Needs>()); }
            public static void Fill(IList<Registration> list) => list.Add(Singleton.Of<A>());
            private static void AddA(this Wiring w) => w.Add(Singleton.Of<A>());
        }
        public class A; public class Needs(A a) { public A A => a; }
        """;

    /// <summary>Programs, and how many wirings of each the compiler does not follow.</summary>
    public static TheoryData<string, int> Programs => new()
    {
        // Ways out, and what runs later or never.
        { "Wiring w = []; w.More(args.Length == 0, args.Length < 5); w.Build(); static class X { public static void More(this Wiring w, bool c, bool a) { if (c) { if (a) { return; } throw new InvalidOperationException(); } w.Add(Singleton.Of<Needs>()); } }", 0 },
        { "Wiring w = []; w.More(args.Length == 0); w.Build(); static class X { public static void More(this Wiring w, bool c) { try { int.Parse(\"x\"); w.Add(Singleton.Of<Needs>()); } catch (FormatException) { if (c) { return; } throw; } } }", 1 },
        { "Wiring w = [Singleton.Of<Needs>()]; w.More(); w.Build(); static class X { public static void More(this Wiring w) { try { int.Parse(\"x\"); return; } catch (FormatException) { } w.Add(Singleton.Of<A>()); } }", 1 },
        { "Wiring w = [Singleton.Of<Needs>()]; int turn = 0; again: turn++; if (turn == 2) { w.Add(Singleton.Of<A>()); } if (turn < 2) goto again; w.Build();", 1 },
        { "Wiring w = []; string? name = args.FirstOrDefault(); name?.AddTo(w); w.Build(); static class X { public static void AddTo(this string name, Wiring w) => w.Add(Singleton.Of<Needs>()); }", 0 },
        { "Wiring w = []; X.Later(w); w.Build(); static class X { public static IEnumerable<int> Later(Wiring w) { w.Add(Singleton.Of<Needs>()); yield return 1; } }", 1 },
        { "Wiring w = []; Func<Wiring, Task> later = async x => { await Task.Delay(-1); x.Add(Singleton.Of<Needs>()); }; _ = later(w); w.Build();", 1 },
        { "Wiring w = [Singleton.Of<Needs>(), .. M.All ?? [Singleton.Of<A>()]]; w.Build(); static class M { public static readonly Wiring? All; static M() { if (Environment.TickCount64 < 0) { All = []; } } }", 1 },
        { "Wiring? more = null; if (args.Length > 3) { more = []; } Wiring w = [Singleton.Of<Needs>(), .. more ?? [Singleton.Of<A>()]]; w.Build();", 1 },
        { "Wiring w = [Singleton.Of<Needs>(), Singleton.Of<A>()]; Console.Out.WriteLine(w); w.Build();", 0 },

        // Code that leads back to itself.
        { "Wiring w = [Singleton.Of<Needs>()]; w.AddAll(1).Add(Singleton.Of<B>()); w.Build(); static class X { public static Wiring AddAll(this Wiring w, int n) { if (n == 0) { return w; } w.Add(Singleton.Of<A>()); return w.AddAll(n - 1); } }", 1 },
        { "Wiring x = []; M.First(x, 0); x.Build(); Wiring w = [Singleton.Of<Needs>()]; M.Second(w, 0); w.Build(); static class M { public static void First(Wiring w, int n) { if (n > 0) { Second(w, n - 1); } else { w.Add(Singleton.Of<A>()); } } public static void Second(Wiring w, int n) => First(w, n); }", 0 },
        { "Wiring w = [Singleton.Of<Needs>(), Singleton.Of<A>()]; new Chain(w).Next().Next(); w.Build(); class Chain(Wiring w) { public int Count => w.Count; public Chain Next() => new Chain(w); }", 0 },
        { "Wiring w = [Singleton.Of<Needs>()]; new Chain(w).Next(1).Last(); w.Build(); class Chain(Wiring w) { public Chain Next(int n) { if (n == 0) { return this; } return Next(n - 1); } public void Last() => w.Add(Singleton.Of<A>()); }", 0 },
        { "Wiring w = [Singleton.Of<Needs>(), Singleton.Of<A>(), Singleton.Of<B>().Marked(M.One)]; w.Build(); static class M { public static readonly string One = Two ?? \"a\", Two = One; }", 1 },

        // Partial members, and overrides of members that implement an interface.
        { "Wiring w = [Singleton.Of<Needs>()]; X.More(w); w.Build(); static partial class X { public static partial void More(Wiring w); } static partial class X { public static partial void More(Wiring w) => w.Add(Singleton.Of<A>()); }", 0 },
        { "Wiring w = [Singleton.Of<Needs>(), .. X.Only(Singleton.Of<A>())]; w.Build(); static partial class X { public static partial Wiring Only(Registration one); } static partial class X { public static partial Wiring Only(Registration one) => [one]; }", 0 },
        { "Wiring w = [Singleton.Of<Needs>()]; IPart part = new Own(); part.AddTo(w); w.Build(); interface IPart { void AddTo(Wiring w); } class Part : IPart { public virtual void AddTo(Wiring w) { } } sealed class Own : Part { public override void AddTo(Wiring w) => w.Add(Singleton.Of<A>()); }", 0 },

        // Objects that keep a list.
        { "Wiring w = [.. new Own().All]; w.Build(); abstract class Base { private readonly Wiring _all = [Singleton.Of<Needs>()]; protected Base() { _all.Add(Singleton.Of<A>()); } public Wiring All => _all; } sealed class Own : Base;", 1 },
        { "Own own = new(); Own.Last!.More(); Wiring w = [.. own.All]; w.Build(); sealed class Own { public static Own? Last; private readonly Wiring _all = [Singleton.Of<Needs>()]; public Own() { Last = this; } public void More() { _all.Add(Singleton.Of<A>()); } public Wiring All => _all; }", 1 },

        // Calls that add: extension methods, local functions, methods of lists.
        { "Wiring w = [Singleton.Of<Needs>()]; w.AddMore(); w.Build().Resolve<Needs>(); static class X { public static void AddMore(this Wiring w) => w.Add(Singleton.Of<A>()); }", 0 },
        { "P.Run(); static class P { static readonly Wiring W = [Singleton.Of<Needs>()]; public static void Run() { W.AddMore(); W.Build().Resolve<Needs>(); } public static Wiring AddMore(this Wiring w) { w.Add(Singleton.Of<A>()); return w; } }", 1 },
        { "new Wiring { Singleton.Of<Needs>() }.AddMail().Build().Resolve<Needs>(); static class X { public static Wiring AddMail(this Wiring w) { w.Add(Singleton.Of<A>()); return w; } }", 0 },
        { "Wiring w = new(); w.AddMail().AddNeeds(); w.Build().Resolve<Needs>(); static class X { public static Wiring AddMail(this Wiring w) { w.Add(Singleton.Of<A>()); return w; } public static Wiring AddNeeds(this Wiring w) { w.Add(Singleton.Of<Needs>()); return w; } }", 0 },
        { "Wiring w = [Singleton.Of<Needs>()]; w.With(x => x.Add(Singleton.Of<A>())); w.Build(); static class X { public static void With(this Wiring w, Action<Wiring> more) => more(w); }", 0 },
        { "Wiring w = [Singleton.Of<Needs>()]; w.More(); w.Build(); static class X { extension(Wiring w) { public void More() => w.Add(Singleton.Of<A>()); } }", 0 },
        { "Wiring e = [Singleton.Of<Needs>(), .. Wiring.Std]; e.Build(); Wiring f = [Singleton.Of<Needs>(), .. \"x\".Made(3)]; f.Build(); static class X { extension(Wiring w) { public static Wiring Std => [Singleton.Of<A>()]; } extension<T>(T t) { public Wiring Made(int n) => [Singleton.Of<A>(), Singleton.Of<Box<T>>()]; } }", 0 },
        { "M.Make().Build(); static class M { public static Wiring Make() { Wiring w = [Singleton.Of<Needs>()]; w.AddMail(); return w; } static void AddMail(this Wiring w) => w.Add(Singleton.Of<A>()); }", 0 },
        { "Wiring w = [Singleton.Of<Needs>()]; Container B() => w.Build(); w.Add(Singleton.Of<A>()); B();", 1 },
        { "Wiring w = [Singleton.Of<Needs>()]; Func<Container> b = () => w.Build(); w.Add(Singleton.Of<A>()); b();", 1 },
        { "Wiring w = [Singleton.Of<Needs>()]; Builder b = w.Build; w.Add(Singleton.Of<A>()); b(); delegate Container Builder(params ReadOnlySpan<Incoming> values);", 1 },
        { "Wiring w = [Singleton.Of<Needs>()]; Wiring v = w; v.Add(Singleton.Of<A>()); w.Build();", 1 },
        { "Wiring w = [Singleton.Of<Needs>()]; Action<Registration> add = w.Add; add(Singleton.Of<A>()); w.Build();", 1 },
        { "Wiring w = [Singleton.Of<Needs>()]; Wiring.If(true, w).Add(Singleton.Of<A>()); w.Build();", 1 },
        { "Wiring w = [Singleton.Of<Needs>()]; (w is Wiring v ? v : w).Add(Singleton.Of<A>()); w.Build();", 1 },
        { "Wiring w = [Singleton.Of<Needs>()]; ((Wiring)(object)w).Add(Singleton.Of<A>()); w.Build();", 0 },
        { "Wiring w = [Singleton.Of<Needs>()]; w?.Add(Singleton.Of<A>()); w?.Build();", 0 },
        { "Wiring w = [Singleton.Of<Needs>()]; Func<Wiring> f = () => w; f().Add(Singleton.Of<A>()); w.Build();", 1 },
        { "Wiring w = [Singleton.Of<Needs>()]; Wiring[] all = [w]; all[0].Add(Singleton.Of<A>()); w.Build();", 1 },
        { "Wiring w = [Singleton.Of<Needs>()]; Hold h = new(w); h.W.Add(Singleton.Of<A>()); w.Build(); record Hold(Wiring W);", 1 },
        { "Wiring w = [Singleton.Of<Needs>()]; dynamic d = w; d.Add(Singleton.Of<A>()); w.Build();", 1 },
        { "int n = 0; Wiring w = [Singleton.Of<Needs>()]; again: if (n++ == 0) goto add; w.Build(); goto end; add: w.Add(Singleton.Of<A>()); goto again; end: ;", 1 },
        { "List<Registration> l = [Singleton.Of<Needs>()]; l.AddRange([Singleton.Of<A>()]); Wiring w = [.. l]; w.Build();", 0 },
        { "List<Registration> l = [Singleton.Of<Needs>(), Singleton.Of<B>()]; l[1] = Singleton.Of<A>(); Wiring w = [.. l]; w.Build();", 1 },
        { "Registration[] l = [Singleton.Of<Needs>(), Singleton.Of<B>()]; l[1] = Singleton.Of<A>(); Wiring w = [.. l]; w.Build();", 1 },
        { "Registration[] l = [Singleton.Of<Needs>(), Singleton.Of<B>()]; Array.Fill(l, Singleton.Of<A>()); Wiring w = [.. l]; w.Build();", 1 },
        { "Registration[] l = [Singleton.Of<Needs>(), Singleton.Of<B>()]; foreach (ref Registration r in l.AsSpan()) r = Singleton.Of<A>(); Wiring w = [.. l]; w.Build();", 1 },
        { "List<Registration> l = [Singleton.Of<Needs>()]; IEnumerable<Registration> e = l; l.Insert(0, Singleton.Of<A>()); Wiring w = [.. e]; w.Build();", 1 },

        // Values that are assigned again.
        { "IReadOnlyList<Registration> regs = [Singleton.Of<Needs>()]; regs = [.. regs, Singleton.Of<A>()]; Wiring w = [.. regs]; w.Build();", 0 },
        { "Registration r = Singleton.Of<B>(); int n = 0; (r, n) = (Singleton.Of<A>(), 1); Wiring w = [Singleton.Of<Needs>(), r]; w.Build();", 1 },
        { "Wiring w = [Singleton.Of<Needs>(), .. M.W(false)]; w.Build(); static class M { public static Wiring W(bool on) { on |= Environment.ProcessorCount > 0; return [.. Wiring.If(on, [Singleton.Of<A>()])]; } }", 0 },
        { "Wiring w = [Singleton.Of<Needs2>(), .. M.W(\"North\")]; w.Build(); static class M { public static Wiring W(string mark) { mark = mark.ToLowerInvariant(); return [Singleton.Of<A>().Marked(mark)]; } } public class Needs2([Marked(\"north\")] A a) { public A A => a; }", 1 },
        { "Wiring w = [Singleton.Of<Needs>(), .. M.W(Singleton.Of<B>())]; w.Build(); static class M { public static Wiring W(Registration r) { r = Singleton.Of<A>(); return [r]; } }", 0 },
        { "Wiring w = [Singleton.Of<Needs>(), .. M.W(typeof(B))]; w.Build(); static class M { public static Wiring W(Type t) { if (t == typeof(B)) t = typeof(A); return [Singleton.Of(t)]; } }", 1 },
        { "Wiring w = [Singleton.Of<Needs>(), M.R]; w.Build(); static class M { public static readonly Registration R = Singleton.Of<B>(); static M() { R = Singleton.Of<A>(); } }", 1 },
        { "M.R = Singleton.Of<A>(); Wiring w = [Singleton.Of<Needs>(), M.R]; w.Build(); static class M { public static Registration R { get; set; } = Singleton.Of<B>(); }", 1 },
        { "Wiring w = [Singleton.Of<Needs>(), .. M.R]; w.Build(); static class M { public static readonly Wiring R = [Singleton.Of<B>()]; static M() { (R, N) = ([Singleton.Of<A>()], 2); } public static readonly int N; }", 1 },
        { "Wiring w = [Singleton.Of<Needs>(), .. M.R]; w.Build(); static class M { public static Wiring R { get; } = [Singleton.Of<B>()]; static M() => R = [Singleton.Of<A>()]; }", 0 },
        { "Wiring w = [Singleton.Of<Needs>(), .. M.R]; w.Build(); static class M { public static Wiring R { get => [.. field, Singleton.Of<A>()]; } = [Singleton.Of<B>()]; }", 1 },
        { "Wiring w = [Singleton.Of<Needs>(), .. M.R]; w.Build(); static class M { public static Wiring R = [Singleton.Of<B>()]; static M() => R = [Singleton.Of<A>()]; }", 1 },
        {
            "Wiring w = [Singleton.Of<Needs>()]; Fill(ref w); w.Build(); static void Fill(ref Wiring w) => w = [.. w, Singleton.Of<A>()];",
            1
        },
        { "Registration q = Singleton.Of<B>(); ref Registration rq = ref q; rq = Singleton.Of<A>(); Wiring v = [Singleton.Of<Needs>(), q]; v.Build();", 1 },
        { "Wiring w = [Singleton.Of<Needs>()]; Out(out w); w.Build(); static void Out(out Wiring w) => w = [Singleton.Of<Needs>(), Singleton.Of<A>()];", 1 },
        { "Registration r = Singleton.Of<B>(); if (args.Length == 0) r = Singleton.Of<A>(); Wiring w = [Singleton.Of<Needs>(), r]; w.Build();", 0 },
        { "ReadOnlySpan<Registration> sp = [Singleton.Of<B>()]; sp = new[] { Singleton.Of<A>() }; Wiring u = [Singleton.Of<Needs>(), .. sp]; u.Build();", 0 },
        { "ScopeLevel l = new(\"x\"); l = new(\"y\"); Wiring u = [l.Of<Needs>(), l.Of<A>()]; u.Build();", 1 },

        // Objects, evaluations and closed types that are several.
        { "new Fld(true).Go(); new Fld(false).Go(); class Fld { readonly Registration _r = Singleton.Of<B>(); public Fld(bool x) { if (x) _r = Singleton.Of<A>(); else _r = Singleton.Of<A>().Marked(\"q\"); } public void Go() { Wiring w = [Singleton.Of<Needs>(), _r]; if (_r.ToString()!.Contains('q')) return; w.Build(); } }", 1 },
        { "Wiring w = [.. Crud<A>.Module, .. Crud<B>.Module, Singleton.Of<Needs>()]; w.Build(); static class Crud<T> where T : class { public static readonly Wiring Module = [Singleton.Of<T>()]; }", 0 },
        { "Wiring w = [Crud<A>.Module, Crud<B>.Module, Singleton.Of<Needs>()]; w.Build(); static class Crud<T> where T : class { public static Registration<T> Module { get; } = Singleton.Of<T>(); }", 0 },
        { "Wiring w = [.. new Mod(true).W, .. new Mod(false).W, Singleton.Of<Needs>()]; w.Build(); class Mod(bool on) { public Wiring W => [.. Wiring.If(on, [Singleton.Of<A>()]), .. Wiring.If(!on, [Singleton.Of<B>()])]; }", 0 },
        { "Mod m = new(), n = m; Wiring w = [.. m.W, .. n.W, Singleton.Of<Needs>()]; if (w.Check().All.Count > 0) throw new(); w.Build(); class Mod { public Wiring W { get; } = [Singleton.Of<A>()]; }", 0 },
        { "static Wiring M() { var r = Singleton.Of<A>(); Wiring L() => [r]; return [.. L(), .. L()]; } Wiring w = [.. M(), Singleton.Of<Needs>()]; if (w.Check().All.Count > 0) throw new(); w.Build();", 0 },
        { "Wiring w = [.. M.W(), Singleton.Of<Needs>()]; w.Build(); static class M { static readonly bool On = true; public static Wiring W() => On ? V(On) : []; static Wiring V(bool on) => on ? [Singleton.Of<A>()] : []; }", 0 },

        // An argument that may be null.
        { "Wiring w = [Singleton.Of<Uses>(), Transient.Of<Made>(), Transient.From((int? a, int b) => new Two(a, b))]; Uses u = w.Build().Resolve<Uses>(); if ((u.F(3).N, u.F(null).N, u.G(4).N, u.H(1, null), u.I(7, 2)) != (3, null, 4, new Two(null, 1), new Two(7, 2))) throw new(); public class Made(int? n) { public int? N => n; } public record Two(int? A, int B); public record Uses(Func<int?, Made> F, Func<int, Made> G, Func<int, int?, Two> H, Func<int?, int, Two> I);", 0 },

        // What is passed in a row.
        { "Wiring a = M.Arr(Singleton.Of<A>()); a.Build().Resolve<Needs>(); static class M { public static Wiring Arr(params Registration[] more) => [Singleton.Of<Needs>(), .. more]; }", 0 },
        { "Wiring a = M.Arr(); a.Build(); static class M { public static Wiring Arr(params Registration[] more) => [Singleton.Of<A>(), .. more]; }", 0 },
        { "M.W.Build(); static class M { [CheckedWiring] public static Wiring W => Arr(); public static Wiring Arr(params IEnumerable<Registration> more) => [Singleton.Of<A>(), .. more]; }", 0 },
        { "M.W.Build(); static class M { [CheckedWiring] public static Wiring W => [Reg<A>(), Reg<B>(\"x\"), .. L(), .. L([])]; public static Registration Reg<T>(params string[] marks) where T : class => Singleton.Of<T>(); public static Wiring L(params List<Registration> more) => [.. more]; }", 0 },
        { "Wiring w = Build(extra: true); w.Build(); static Wiring Build(bool extra = false, params Registration[] more) => [Singleton.Of<Needs>(), .. Wiring.If(extra, [Singleton.Of<A>()]), .. more];", 0 },
        { "Registration[] more = [Singleton.Of<B>()]; Wiring w = M.Arr(more); more[0] = Singleton.Of<A>(); w = M.Arr(more); w.Build(); static class M { public static Wiring Arr(params Registration[] more) => [Singleton.Of<Needs>(), .. more]; }", 1 },

        // Modules that call themselves with larger types, which nobody calls.
        { "if (args.Length > 9) M.W<int>().Build(); static class M { public static Wiring W<T>() => [Singleton.Of<Box<T>>(), .. W<Box<T>>()]; }", 1 },
        { "if (args.Length > 9) M.V<int>().Build(); static class M { public static Wiring V<T>() => [Singleton.Of<Box<(T, T)>>(), .. V<(T, T)>()]; }", 1 },
        { "if (args.Length > 9) M.V<int>().Build(); static class M { public static Wiring V<T>() => [.. V<Box<T>>(), .. V<List<T>>()]; }", 1 },
    };

    /// <summary>Programs with a module of another project.</summary>
    public static TheoryData<string, int> ProgramsOfTwoProjects => new()
    {
        { "L.Mod.Init(); L.Mod.Shared.Build().Resolve<L.Needs>();", 1 },
        { "using L; Wiring w = [Singleton.Of<Needs>()]; w.AddMail(); w.Build().Resolve<Needs>();", 0 },
        { "using L; Wiring w = [Singleton.Of<Needs>()]; Mod.Parts.More(w, true); w.Build();", 0 },
        { "using L; Wiring w = []; Mod.Later(w); w.Build();", 1 },
        { "using L; Wiring w = []; _ = Mod.AddAsync(w); w.Build();", 1 },
        { "using L; Mod.Untouched.Add(Singleton.Of<Needs>()); Wiring w = [.. Mod.Untouched, Singleton.Of<More>()]; w.Build(); public record More(Needs Needs);", 1 },
        { "using L; List<Registration> l = [Singleton.Of<Needs>()]; Mod.Fill(l); Wiring w = [.. l]; w.Build();", 1 },
        { "using L; Wiring w = [.. Mod.Untouched, Singleton.Of<Needs>()]; Console.Out.Write(w.Count); w.Build();", 0 },
    };

    /// <summary>Classes that lead to ever larger closed types are one fault, found soon.</summary>
    [Theory]
    [InlineData("Transient.Of(typeof(Box2<>)), Transient.Of<Root<Box2<int>>>()", "Box2<T>")]
    [InlineData("Transient.Of(typeof(Tree<>)), Transient.Of<Root<Tree<int>>>()", "Tree<T>")]
    [InlineData("Transient.Of<Root<Func<int, Made<int>>>>()", "Made<T>")]
    [InlineData(
        "Transient.Of(typeof(IPot<>), typeof(Pot<>)), Decorator.Of(typeof(IPot<>), typeof(Lid<>)), Transient.Of<Root<IPot<int>>>()",
        "Lid<T>")]
    [InlineData("Transient.Of(typeof(Odd<>)), Transient.Of(typeof(Even<>)), Transient.Of<Root<Odd<int>>>()", "Odd<T>")]
    public void Types_that_grow_without_end_are_one_fault(string registrations, string name)
    {
        AnalyzedSource source = AnalyzedSource.OfText($$"""
            public static class M { [CheckedWiring] public static Wiring W => [{{registrations}}]; }
            public record Root<T>(T Value);
            public class Left<T>; public class Right<T>;
            public class Box2<T>(Box2<(T, T)> b) { public object B => b; }
            public class Tree<T>(Lazy<Tree<Left<T>>> l, Lazy<Tree<Right<T>>> r) { public object L => (l, r); }
            public class Made<T>(int n, Func<int, Made<List<T>>> g) { public object N => (n, g); }
            public class Odd<T>(Lazy<Even<T[]>> even) { public object E => even; }
            public class Even<T>(IReadOnlyList<Odd<T[]>> odd, Func<Odd<Left<T>>> left) { public object O => (odd, left); }
            public interface IPot<T>; public class Pot<T> : IPot<T>;
            public class Lid<T>(IPot<T> inner, Lazy<IPot<(T, T)>> more) : IPot<T> { public object N => (inner, more); }
            """);

        string fault = Assert.Single(source.Check()["W"]);

        Assert.StartsWith(
            $"JV206 generic-constraint: {name} requires itself with larger type arguments each time", fault, StringComparison.Ordinal);
        Assert.Equal([fault], source.Analyze().Select(AnalyzedSource.TextOf));
    }

    [Theory]
    [MemberData(nameof(Programs))]
    public void Of_one_project_are_not_accused(string program, int unfollowed) =>
        AssertNotAccused(AnalyzedSource.OfProgram(program + World), unfollowed);

    [Theory]
    [MemberData(nameof(ProgramsOfTwoProjects))]
    public void Of_two_projects_are_not_accused(string program, int unfollowed)
    {
        AnalyzedSource source = AnalyzedSource.OfProgram(program, AnalyzedSource.OfModule(("/Module.cs", Module)));
        AssertNotAccused(source, unfollowed);
        AssertNotAccused(source.InEditor(), unfollowed);
    }

    private static void AssertNotAccused(AnalyzedSource source, int unfollowed)
    {
        IReadOnlyList<Diagnostic> found = source.Analyze();

        Assert.All(found, each => Assert.Equal("JV901", each.Id));
        Assert.Equal(unfollowed, found.Count);
        Assert.Empty(source.GeneratorProblems());
        Assert.Null(source.Start());
    }
}
