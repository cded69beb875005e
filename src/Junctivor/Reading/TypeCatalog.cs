using System.Diagnostics.CodeAnalysis;
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

    private TypeRef Enter(Type type)
    {
        string id = UniqueId(type);
        TypeRef entered = new(id, TypeNames.Short(type), TypeNames.Qualified(type), _names)
        {
            Definition = TypeNames.Definition(type),
            Arguments = Arguments(type),
            IsValueType = type.IsValueType,
            IsOpen = type.ContainsGenericParameters,
            IsInterface = type.IsInterface,
            IsAbstract = type.IsAbstract && !type.IsInterface,
            IsStatic = type is { IsAbstract: true, IsSealed: true },
            IsDelegate = typeof(Delegate).IsAssignableFrom(type),
            IsDisposable = typeof(IDisposable).IsAssignableFrom(type) || typeof(IAsyncDisposable).IsAssignableFrom(type),
            ReadSupertypes = () => Supertypes(type),
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

    [UnconditionalSuppressMessage("Trimming", "IL2070", Justification = "An interface that was trimmed away is one that nobody asks for.")]
    private List<TypeRef> Supertypes(Type type)
    {
        List<TypeRef> supertypes = [.. type.GetInterfaces().Select(implemented => this[implemented])];
        for (Type? parent = type.BaseType; parent is not null; parent = parent.BaseType)
        {
            supertypes.Add(this[parent]);
        }

        return supertypes;
    }

    /// <summary>Plug-ins can bring two types of one name, each in a load context of its own.</summary>
    private string UniqueId(Type type)
    {
        string id = type.AssemblyQualifiedName ?? $"{type.DeclaringType?.AssemblyQualifiedName}!{type.Name}";
        string unique = id;
        for (int number = 2; !_ids.Add(unique); number++)
        {
            unique = $"{id}#{number}";
        }

        return unique;
    }
}
