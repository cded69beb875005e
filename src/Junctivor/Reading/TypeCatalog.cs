using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using Junctivor.Graph;

namespace Junctivor.Reading;

/// <summary>
/// Knows each type that a wiring mentions by its <see cref="TypeRef"/>, and the other way round. Types that are first
/// asked for at run time are entered by whichever thread asks, so it is safe for use by several.
/// </summary>
internal sealed class TypeCatalog
{
    private readonly Lock _gate = new();
    private readonly Dictionary<Type, TypeRef> _refs = [];
    private readonly Dictionary<TypeRef, Type> _types = [];
    private readonly HashSet<string> _ids = new(StringComparer.Ordinal);
    private readonly NameBook _names = new();

    public TypeRef this[Type type]
    {
        get
        {
            lock (_gate)
            {
                return _refs.TryGetValue(type, out TypeRef? known) ? known : Enter(type);
            }
        }
    }

    public Type this[TypeRef type]
    {
        get
        {
            lock (_gate)
            {
                return _types[type];
            }
        }
    }

    /// <summary>The assemblies of all types that the wiring mentions.</summary>
    public IReadOnlyCollection<Assembly> Assemblies
    {
        get
        {
            lock (_gate)
            {
                return [.. _types.Values.Select(type => type.Assembly).Distinct()];
            }
        }
    }

    /// <summary>The mark that a string or a type stands for; null for none.</summary>
    public Mark? MarkOf(object? mark) => mark switch
    {
        string text => Mark.Of(text),
        Type type => Mark.Of(this[type]),
        _ => null,
    };

    private TypeRef Enter(Type type)
    {
        string id = UniqueId(type);
        TypeRef entered = new(id, TypeNames.Short(type), _names)
        {
            OwnName = TypeNames.Own(type),
            DefinitionName = TypeNames.Definition(type),
            Definition = type.IsConstructedGenericType ? this[type.GetGenericTypeDefinition()] : null,
            Arguments = Arguments(type),
            IsValueType = type.IsValueType,
            IsDefinition = type.IsGenericTypeDefinition,
            IsOpen = type.ContainsGenericParameters,
            IsInterface = type.IsInterface,
            IsAbstract = type.IsAbstract && !type.IsInterface,
            IsStatic = type is { IsAbstract: true, IsSealed: true },
            IsDelegate = typeof(Delegate).IsAssignableFrom(type),
            Facts = new ReflectedFacts(type, this),
        };
        _names.Enter(entered.SimpleName, id);
        _refs.Add(type, entered);
        _types.Add(entered, type);
        return entered;
    }

    private IReadOnlyList<TypeRef> Arguments(Type type) => type switch
    {
        { IsSZArray: true } => [this[type.GetElementType()!]],
        { IsGenericType: true, IsGenericTypeDefinition: false } => [.. type.GenericTypeArguments.Select(argument => this[argument])],
        _ => [],
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

    /// <summary>Two assemblies can have types of one name, and plug-ins one assembly in several load contexts.</summary>
    private string UniqueId(Type type)
    {
        string id = type.FullName ?? $"{type.DeclaringType?.FullName}!{type}";
        string unique = id;
        for (int number = 2; !_ids.Add(unique); number++)
        {
            unique = $"{id}#{number}";
        }

        return unique;
    }
}
