using System.Runtime.CompilerServices;
using Junctivor.Checks;

namespace Junctivor.Tests.Reading;

public sealed class PluginTests : IDisposable
{
    private readonly string _folder = Directory.CreateTempSubdirectory("junctivor-plugins-").FullName;

    [Fact]
    public void Each_assembly_brings_its_wirings_and_what_is_broken_or_foreign_is_named()
    {
        Write("Channels",
            "public static class Brought { [CheckedWiring] public static Wiring Wiring => [Singleton.Of<Junctivor.Tests.IClock, "
                + "Clock>()]; } public sealed class Clock : Junctivor.Tests.IClock;");
        Write("Other",
            "public static class Brought { [CheckedWiring] public static Wiring Wiring => [Singleton.Value(\"from the other\")]; }");
        Write("Throwing",
            "public static class Brought { [CheckedWiring] public static Wiring Wiring => throw new InvalidOperationException(\"no "
                + "tide\"); }");
        Write("Dependency", "public sealed class Nothing;");
        File.WriteAllText(Path.Combine(_folder, "Broken.dll"), "this is no assembly");

        Plugins plugins = Plugins.In(_folder);
        Wiring wiring = [.. plugins];
        using Container container = wiring.Build();

        Assert.Equal(["Channels.dll", "Other.dll"], plugins.Loaded);
        Assert.Equal(["Broken.dll", "Throwing.dll"], plugins.Skipped.Select(line => line.Split(' ')[0]));
        Assert.Contains("no tide", plugins.ToString(), StringComparison.Ordinal);
        Assert.Equal("Clock", container.Resolve<IClock>().GetType().Name);
        Assert.Equal("from the other", container.Resolve<string>());
        Assert.Equal(["JV207", "JV207"], container.Report.Warnings.Select(fault => fault.Code));
    }

    [Fact]
    public void Two_plug_ins_may_have_types_of_one_name()
    {
        const string Same =
            "namespace Same; public static class Brought { [CheckedWiring] public static Wiring Wiring => [Singleton.Of<Thing>(), "
                + "Singleton.From(object (Thing thing) => thing)]; } public sealed class Thing;";
        Write("One", Same);
        Write("Two", Same);
        Wiring wiring = [.. Plugins.In(_folder)];
        using Container container = wiring.Build();

        object[] things = container.Resolve<object[]>();

        Assert.Equal(2, things.Select(thing => thing.GetType()).Distinct().Count());
    }

    [Theory]
    [InlineData("public sealed class Part(Missing missing);", "Part cannot be loaded: ")]
    [InlineData("public sealed class Part { public Part() { } [Inject] public Missing? Missing { get; set; } }",
        "not all of its types can be loaded: ")]
    [InlineData("public sealed class Part { public Part([Absent, Marked(\"depth\")] int depth) { } }", "")]
    [InlineData("public sealed class Part { public Part([Absent] string? attributesThatAreNoMarksDoNotMatter = null) { } }", null)]
    [InlineData("public sealed class Part : Missing;", "not all of its types can be loaded: ")]
    [InlineData("public sealed class Part; public static class Beside { [Absent] public static int Depth; }",
        "not all of its types can be loaded: ")]
    [InlineData("public sealed class Part { public Missing Field = null!; public Part() { } }", null)]
    public void A_plug_in_whose_dependency_has_other_types_is_left_out_and_the_rest_loads(string part, string? why)
    {
        string dependency = Path.Combine(_folder, "Dependency.dll");
        CompiledSource.ToFile(dependency, "public class Missing; public sealed class AbsentAttribute : Attribute;");
        CompiledSource.ToFile(
            Path.Combine(_folder, "Old.dll"),
            $$"""public static class Brought { [CheckedWiring] public static Wiring Wiring => [Transient.Of<Part>(), Singleton.Value(5).Marked("depth")]; } {{part}}""", dependency);
        CompiledSource.ToFile(dependency, "public class Other;");
        Write("Good",
            "public static class Brought { [CheckedWiring] public static Wiring Wiring => [Singleton.Of<Junctivor.Tests.IClock, "
                + "Clock>()]; } public sealed class Clock : Junctivor.Tests.IClock;");

        Plugins plugins = Plugins.In(_folder);
        Wiring wiring = [.. plugins];
        using Container container = wiring.Build();

        Assert.Equal("Clock", container.Resolve<IClock>().GetType().Name);
        Assert.Contains("Good.dll", plugins.Loaded);
        Assert.Equal(why is null ? 0 : 1, plugins.Skipped.Count);
        Assert.All(container.Report.Warnings, fault => Assert.Equal("JV207", fault.Code));
        Assert.All(plugins.Skipped, line => Assert.StartsWith($"Old.dll has no wiring: {why}", line, StringComparison.Ordinal));
        Assert.All(
            plugins.Skipped,
            line => Assert.Contains(
                part.Contains("Absent", StringComparison.Ordinal) ? "AbsentAttribute" : "Missing", line, StringComparison.Ordinal));
    }

    [Fact]
    public void A_class_of_a_wiring_that_cannot_be_loaded_is_a_fault_that_names_it_and_hides_no_other()
    {
        string dependency = Path.Combine(_folder, "Dependency.dll");
        CompiledSource.ToFile(dependency, "public class Missing;");
        string library = Path.Combine(_folder, "Library.dll");
        CompiledSource.ToFile(
            library,
            "public sealed class Part(Missing missing); public sealed class Crate<T>(Missing missing); "
                + "[SelfRegistered(Lifetime.Singleton)] public sealed class Heir : Missing; [SelfRegistered(Lifetime.Singleton)] public "
                    + "sealed class Own;", dependency);
        File.Delete(dependency);
        System.Reflection.Assembly assembly =
            new System.Runtime.Loader.AssemblyLoadContext("library", isCollectible: true).LoadFromAssemblyPath(library);
        Type crate = assembly.GetType("Crate`1")!;
        Wiring wiring = [Singleton.Of(assembly.GetType("Part")!), Transient.Of(crate), Transient.Of<Holder<IStrange>>(),
            .. SelfRegistered.In(assembly)];

        IReadOnlyList<Fault> faults = wiring.Check().Errors;

        Assert.Equal(["JV101", "JV102", "JV102", "JV102"], faults.Select(fault => fault.Code).Order());
        Fault part = faults.Single(fault => fault.Candidates.Contains("Part"));
        Assert.Equal("Part cannot be loaded", part.Summary);
        Assert.Contains("Dependency", Assert.Single(part.Remarks), StringComparison.Ordinal);
        Assert.Equal(nameof(PluginTests) + ".cs", Path.GetFileName(part.Path[0].File));
        Assert.Contains(faults, fault => fault.Summary == "Crate<T> cannot be loaded");
        Assert.Contains(faults, fault => fault.Summary == "a class of Library cannot be loaded");
        Assert.Contains("Own", SelfRegistered.In(assembly).ToString(), StringComparison.Ordinal);
        Assert.Throws<WiringException>(() => wiring.Build());
    }

    public interface IStrange;

    public sealed record Holder<T>(T Held);

    [Fact]
    public void A_folder_that_is_not_there_is_reported_with_what_to_do()
    {
        DirectoryNotFoundException thrown = Assert.Throws<DirectoryNotFoundException>(() => Plugins.In("no/such/folder"));

        Assert.Contains("create it, or name another", thrown.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void The_load_context_is_collected_after_the_container_is_disposed()
    {
        Write("Channels",
            "public static class Brought { [CheckedWiring] public static Wiring Wiring => [Singleton.Of<Junctivor.Tests.IClock, "
                + "Clock>(), Scoped.Of<Gong>()]; } public sealed class Clock : Junctivor.Tests.IClock; public sealed class Gong;");

        (WeakReference context, Container ended) = UseAndEnd();
        for (int round = 0; round < 20 && context.IsAlive; round++)
        {
            GC.Collect();
            GC.WaitForPendingFinalizers();
        }

        Assert.False(context.IsAlive);
        Assert.Throws<ObjectDisposedException>(ended.Resolve<IClock>);
    }

    public void Dispose() => Directory.Delete(_folder, recursive: true);

    [MethodImpl(MethodImplOptions.NoInlining)]
    private (WeakReference Context, Container Ended) UseAndEnd()
    {
        Wiring wiring =
        [
            .. Plugins.In(_folder),
            Transient.From((Lazy<IClock> clock, IReadOnlyList<IClock> all) => Tuple.Create(clock.Value, all.Count)),
        ];
        Container container = wiring.Build(new BuildOptions { Compilation = PlanCompilation.Immediate });
        IClock clock = container.Resolve<Tuple<IClock, int>>().Item1;
        for (int time = 0; time < 3; time++)
        {
            using Scope scope = container.StartScope();
            Assert.NotNull(scope.Resolve(clock.GetType().Assembly.GetType("Gong")!));
        }

        WeakReference context = new(System.Runtime.Loader.AssemblyLoadContext.GetLoadContext(clock.GetType().Assembly));
        Assert.True(context.IsAlive);
        container.Dispose();
        return (context, container);
    }

    private void Write(string name, string source) => CompiledSource.ToFile(Path.Combine(_folder, $"{name}.dll"), source);
}
