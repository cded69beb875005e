using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using System.Runtime.CompilerServices;
using Junctivor.CompilerServices;
using Junctivor.Graph;

namespace Junctivor.Reading;

/// <summary>
/// Finds classes that are not registered and implement a service, in the assemblies that a wiring mentions: only for advice. Nothing is
/// registered by it. Safe for use by several threads.
/// </summary>
internal sealed class ClassIndex
{
    private readonly Lock _gate = new();
    private readonly TypeCatalog _types;
    private readonly ClassSearch<Type> _search;

    public ClassIndex(TypeCatalog types)
    {
        _types = types;
        _search = new ClassSearch<Type>(ReflectedTypes.All, Classes);
    }

    /// <summary>The classes, as they would be registered: a generic one as its definition.</summary>
    public IReadOnlyList<TypeRef> Implementing(TypeRef service)
    {
        lock (_gate)
        {
            return [.. _search.Implementing(_types[service]).Select(type => _types[type])];
        }
    }

    /// <summary>What the compiler left behind of wirings.</summary>
    public IReadOnlyList<(string Member, string Text)> LeftWirings
    {
        get
        {
            lock (_gate)
            {
                return
                [
                    .. Assemblies
                        .SelectMany(assembly => assembly.GetCustomAttributes<FollowedWiringAttribute>())
                        .Select(left => (left.Member, left.Text))
                        .OrderBy(left => left.Member, StringComparer.Ordinal),
                ];
            }
        }
    }

    private IEnumerable<Assembly> Assemblies =>
        _types.Assemblies.Where(assembly => !ClassSearch<Type>.IsFramework(assembly.GetName().Name ?? ""));

    [UnconditionalSuppressMessage("Trimming", "IL2026", Justification = "A class that was trimmed away is not offered.")]
    private IEnumerable<Type> Classes() => Assemblies.SelectMany(TypesOf).Where(IsConstructible);

    [RequiresUnreferencedCode("Only for advice.")]
    private static IEnumerable<Type> TypesOf(Assembly assembly)
    {
        try
        {
            return assembly.GetTypes();
        }
        catch (ReflectionTypeLoadException partly)
        {
            return partly.Types.OfType<Type>();
        }
    }

    [UnconditionalSuppressMessage("Trimming", "IL2070", Justification = "A class that was trimmed away is not offered.")]
    private static bool IsConstructible(Type type) =>
        type is { IsClass: true, IsAbstract: false }
        && !type.IsDefined(typeof(CompilerGeneratedAttribute), inherit: false)
        && type.GetConstructors().Length > 0;
}
