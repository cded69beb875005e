using System.Reflection;
using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Tests;

/// <summary>Each option of a registration is known to the compiler, in its own project and through what another project left
/// behind.</summary>
public class OptionTests
{
    private const string Services = """
        namespace Harbour;

        public interface IClock;
        public sealed class SystemClock : IClock;
        public sealed class StoppedClock : IClock;
        public sealed class Bell(IClock clock) { public object Clock => clock; }
        public sealed class Watch([Marked("harbour")] IClock clock) { public object Clock => clock; }
        public sealed class Desk(int size) { public int Size => size; }
        public sealed class Boat : IDisposable { public void Dispose() { } }
        public sealed class Ferry(Func<Boat> boats) { public object Boats => boats; }
        public sealed class Stamp { private readonly DateTime _at = DateTime.Now; public override string ToString() => $"{_at}"; }
        public sealed class Till(Stamp stamp) { public object Stamp => stamp; }
        """;

    /// <summary>By its name, a wiring that has other faults without the option, and the codes of its faults. What is disposed a value is
    /// no matter of the check.</summary>
    private static readonly Dictionary<string, (string Wiring, string Codes)> Examples = new()
    {
        ["Accept"] = ("Singleton.Of<Till>(), Transient.Of<Stamp>().Accept(\"JV303\", \"One stamp is enough.\")", ""),
        ["Also"] = ("Singleton.Of<Bell>(), Singleton.Of<SystemClock>().Also<IClock>()", ""),
        ["Background"] = ("Transient.Of<Boat>().Background((boat, stop) => Task.CompletedTask)", "JV109"),
        ["DisposeAtEnd"] = ("Singleton.Value(new Boat()).DisposeAtEnd(), Singleton.Of<Bell>()", "JV101"),
        ["Enabled"] = ("Singleton.Of<Bell>(), Singleton.Of<IClock, SystemClock>().Enabled(false)", "JV101"),
        ["FirstChoice"] =
            ("Singleton.Of<Bell>(), Singleton.Of<IClock, SystemClock>().FirstChoice(), Singleton.Of<IClock, StoppedClock>()", ""),
        ["IfMissing"] =
            ("Singleton.Of<Bell>(), Singleton.Of<IClock, SystemClock>().IfMissing(), Singleton.Of<IClock, StoppedClock>()", ""),
        ["LeaveUndisposed"] = ("Singleton.Of<Ferry>(), Transient.Of<Boat>().LeaveUndisposed()", ""),
        ["Marked"] = ("Singleton.Of<Watch>(), Singleton.Of<IClock, SystemClock>().Marked(\"harbour\")", ""),
        ["OnlyFor"] =
            ("Singleton.Of<Bell>(), Singleton.Of<IClock, SystemClock>(), Singleton.Of<IClock, StoppedClock>().OnlyFor<Bell>()", ""),
        ["Passing"] = ("Singleton.Of<Desk>().Passing(\"size\", 3)", ""),
        ["Replacing"] =
            ("Singleton.Of<Bell>(), Singleton.Of<IClock, SystemClock>(), Singleton.Of<IClock, StoppedClock>().Replacing()", ""),
        ["ResolvedDirectly"] = ("Singleton.Of<SystemClock>().ResolvedDirectly(), Singleton.Of<Boat>()", "JV501"),
        ["SuppliedLater"] = ("Singleton.Of<Bell>(), Singleton.Incoming<IClock>().SuppliedLater()", "JV402"),
        ["TargetMarked"] =
            ("Singleton.Of<Bell>(), Singleton.Of<SystemClock>().Marked(\"harbour\"), "
                + "Alias.Of<IClock, SystemClock>().TargetMarked(\"harbour\")", ""),
        ["WarmUp"] = ("Transient.Of<Boat>().WarmUp((boat, stop) => Task.CompletedTask)", "JV109"),
        ["WindDown"] = ("Transient.Of<Boat>().WindDown((boat, stop) => Task.CompletedTask)", "JV109"),
    };

    /// <summary>The public methods of registrations that return a registration.</summary>
    public static TheoryData<string> Options => [.. typeof(Registration).Assembly.GetExportedTypes()
        .Where(type => type.IsAssignableTo(typeof(Registration)))
        .SelectMany(type => type.GetMethods(BindingFlags.Public | BindingFlags.Instance | BindingFlags.DeclaredOnly))
        .Where(method => method.ReturnType.IsGenericParameter || method.ReturnType.IsAssignableTo(typeof(Registration)))
        .Select(method => method.Name)
        .Distinct()
        .Order(StringComparer.Ordinal)];

    [Theory]
    [MemberData(nameof(Options))]
    public void The_compiler_knows_each_option(string option)
    {
        Assert.True(Examples.TryGetValue(option, out (string Wiring, string Codes) example), $"there is no example of .{option}()");
        string office = $"public static class Offices {{ [CheckedWiring] public static Wiring Office => [{example.Wiring}]; }}";
        string module = $"namespace Harbour; public static class Docks {{ public static Wiring All => [{example.Wiring}]; }}";

        AnalyzedSource alone = AnalyzedSource.Of(("/Services.cs", Services), ("/Office.cs", $"using Harbour;\n{office}"));
        AnalyzedSource through = AnalyzedSource.OfModule(("/Services.cs", Services), ("/Docks.cs", module)).ReferencedBy(
            ("/Office.cs", "public static class Offices { [CheckedWiring] public static Wiring Office => [.. Harbour.Docks.All]; }"));

        Assert.Equal(example.Codes, CodesOf(alone));
        Assert.Equal(example.Codes, CodesOf(through));
        Assert.Equal(example.Codes, string.Join(",", alone.CheckFaults().Select(found => found.Fault.Code)));
    }

    private static string CodesOf(AnalyzedSource source) =>
        string.Join(",", source.Analyze().Select((Diagnostic found) => found.Id));
}
