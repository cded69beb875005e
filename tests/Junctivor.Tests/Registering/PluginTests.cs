using System.Runtime.CompilerServices;

namespace Junctivor.Tests.Registering;

public sealed class PluginTests : IDisposable
{
    private readonly string _folder = Directory.CreateTempSubdirectory("junctivor-plugins-").FullName;

    [Fact]
    public void Each_assembly_brings_its_wirings_and_what_is_broken_or_foreign_is_named()
    {
        Write("Channels", "public static class Brought { [CheckedWiring] public static Wiring Wiring => [Singleton.Of<Junctivor.Tests.IClock, Clock>()]; } public sealed class Clock : Junctivor.Tests.IClock;");
        Write("Other", "public static class Brought { [CheckedWiring] public static Wiring Wiring => [Singleton.Value(\"from the other\")]; }");
        Write("Throwing", "public static class Brought { [CheckedWiring] public static Wiring Wiring => throw new InvalidOperationException(\"no tide\"); }");
        Write("Dependency", "public sealed class Nothing;");
        File.WriteAllText(Path.Combine(_folder, "Broken.dll"), "this is no assembly");

        Plugins plugins = Plugins.In(_folder);
        Wiring wiring = [.. plugins];
        using Container container = wiring.Build();

        Assert.Equal(["Channels.dll", "Other.dll"], plugins.Loaded);
        Assert.Equal(["Broken.dll", "Throwing.dll"], plugins.LeftOut.Select(line => line.Split(' ')[0]));
        Assert.Contains("no tide", plugins.ToString(), StringComparison.Ordinal);
        Assert.Equal("Clock", container.Resolve<IClock>().GetType().Name);
        Assert.Equal("from the other", container.Resolve<string>());
        Assert.Equal(["JV207", "JV207"], container.Report.Warnings.Select(fault => fault.Code));
    }

    [Fact]
    public void Two_plug_ins_may_have_types_of_one_name()
    {
        const string Same = "namespace Same; public static class Brought { [CheckedWiring] public static Wiring Wiring => [Singleton.Of<Thing>(), Singleton.From(object (Thing thing) => thing)]; } public sealed class Thing;";
        Write("One", Same);
        Write("Two", Same);
        Wiring wiring = [.. Plugins.In(_folder)];
        using Container container = wiring.Build();

        object[] things = container.Resolve<object[]>();

        Assert.Equal(2, things.Select(thing => thing.GetType()).Distinct().Count());
    }

    [Fact]
    public void A_folder_that_is_not_there_is_said_with_what_to_do()
    {
        DirectoryNotFoundException thrown = Assert.Throws<DirectoryNotFoundException>(() => Plugins.In("no/such/folder"));

        Assert.Contains("make it, or name another", thrown.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void When_the_container_has_ended_the_load_context_is_collected()
    {
        Write("Channels", "public static class Brought { [CheckedWiring] public static Wiring Wiring => [Singleton.Of<Junctivor.Tests.IClock, Clock>(), Scoped.Of<Clock>()]; } public sealed class Clock : Junctivor.Tests.IClock;");

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
        Container container = wiring.Build(new BuildOptions { Compilation = PlanCompilation.AtOnce });
        IClock clock = container.Resolve<Tuple<IClock, int>>().Item1;
        for (int time = 0; time < 3; time++)
        {
            using Scope scope = container.StartScope();
            Assert.NotNull(scope.Resolve(clock.GetType()));
        }

        WeakReference context = new(System.Runtime.Loader.AssemblyLoadContext.GetLoadContext(clock.GetType().Assembly));
        Assert.True(context.IsAlive);
        container.Dispose();
        return (context, container);
    }

    private void Write(string name, string source) => CompiledSource.ToFile(Path.Combine(_folder, $"{name}.dll"), source);
}
