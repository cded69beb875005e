using System.Runtime.Loader;

namespace Junctivor.Tests.Runtime;

/// <summary>Classes of an assembly that knows nothing of a container.</summary>
public sealed class UnknownAssemblyTests : IDisposable
{
    private readonly string _folder = Directory.CreateTempSubdirectory("junctivor-").FullName;
    private readonly AssemblyLoadContext _context = new("strangers", isCollectible: true);

    [Fact]
    public void Required_properties_of_a_strange_class_and_of_one_derived_from_it_are_filled()
    {
        string path = Path.Combine(_folder, "Strangers.dll");
        CompiledSource.ToFile(
            path, "public class Vessel { public required string Name { get; init; } } public class Barge : Vessel { public int Holds { "
                + "get; set; } }");
        System.Reflection.Assembly strangers = _context.LoadFromAssemblyPath(path);
        Assert.DoesNotContain(strangers.GetReferencedAssemblies(), reference => reference.Name == "Junctivor");
        Type vessel = strangers.GetType("Vessel", throwOnError: true)!;
        Type barge = strangers.GetType("Barge", throwOnError: true)!;
        using Container container = new Wiring { Singleton.Value("Heron"), Transient.Of(vessel), Transient.Of(barge) }.Build();

        Assert.All([vessel, barge], type => Assert.Equal("Heron", vessel.GetProperty("Name")!.GetValue(container.Resolve(type))));
    }

    public void Dispose()
    {
        _context.Unload();
        Directory.Delete(_folder, recursive: true);
    }
}
