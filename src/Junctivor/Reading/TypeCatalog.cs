using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using Junctivor.Graph;

namespace Junctivor.Reading;

/// <summary>
/// Knows each type that a wiring mentions by its <see cref="TypeRef"/>, and the other way round. Types that are first
/// resolved at run time are entered by whichever thread asks, so it is safe for use by several.
/// </summary>
internal sealed class TypeCatalog
{
    private readonly Lock _gate = new();
    private readonly Dictionary<Type, ReflectedType> _types;

    /// <param name="expected">About how many types there will be.</param>
    public TypeCatalog(int expected = 0) => _types = new Dictionary<Type, ReflectedType>(expected);

    /// <summary>Which short names are borne by several.</summary>
    public NameCounts Names { get; } = new();

    /// <summary>What nullable annotations say.</summary>
    public Annotations Annotations { get; } = new();

    /// <summary>The assemblies of all types that the wiring mentions.</summary>
    public IReadOnlyCollection<Assembly> Assemblies
    {
        get
        {
            lock (_gate)
            {
                return [.. _types.Keys.Select(type => type.Assembly).Distinct()];
            }
        }
    }

    public TypeRef this[Type type] => Of(type);

    [SuppressMessage("Performance", "CA1822", Justification = "It belongs to the types of this catalog.")]
    public Type this[TypeRef type] => ((ReflectedType)type).Type;

    public ReflectedType Of(Type type)
    {
        lock (_gate)
        {
            if (!_types.TryGetValue(type, out ReflectedType? known))
            {
                known = new ReflectedType(type, this);
                _types.Add(type, known);
                Names.Enter(known);
            }

            return known;
        }
    }

    /// <summary>The mark that a string or a type stands for; null for none.</summary>
    public Mark? MarkOf(object? mark) => mark switch
    {
        string text => Mark.Of(text),
        Type type => Mark.Of(this[type]),
        _ => null,
    };

    /// <summary>The base classes and interfaces of a type.</summary>
    [UnconditionalSuppressMessage("Trimming", "IL2070", Justification = "An interface that was trimmed away is one that nobody asks for.")]
    public static IEnumerable<Type> AllSupertypes(Type type)
    {
        for (Type? parent = type.BaseType; parent is not null; parent = parent.BaseType)
        {
            yield return parent;
        }

        foreach (Type implemented in type.GetInterfaces())
        {
            yield return implemented;
        }

        if (type.IsInterface)
        {
            yield return typeof(object);
        }
    }
}
