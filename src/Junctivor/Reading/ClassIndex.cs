using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using System.Runtime.CompilerServices;
using Junctivor.Graph;

namespace Junctivor.Reading;

/// <summary>
/// Finds classes that are not registered and that implement a service, in the assemblies that a wiring mentions: for advice
/// only, nothing is registered by it. The assemblies are read once, when the first advice is wanted.
/// </summary>
internal sealed class ClassIndex(TypeCatalog types)
{
    private static readonly string[] Frameworks = ["System", "Microsoft", "netstandard", "mscorlib", "Junctivor"];

    private readonly Lock _gate = new();
    private Dictionary<Type, List<Type>>? _bySupertype;

    /// <summary>The classes, as they would be registered: a generic one as its definition.</summary>
    public IReadOnlyList<TypeRef> Implementing(TypeRef service)
    {
        Type wanted = types[service];
        lock (_gate)
        {
            _bySupertype ??= Read(types.Assemblies.Where(assembly => !IsFramework(assembly)));
            IReadOnlyList<Type> found = _bySupertype.GetValueOrDefault(Definition(wanted)) ?? [];
            return [.. found.Where(type => Fits(type, wanted)).Select(type => types[type])];
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
                    .. types.Assemblies.Where(assembly => !IsFramework(assembly))
                        .SelectMany(assembly => assembly.GetCustomAttributes<FollowedWiringAttribute>())
                        .Select(left => (left.Member, left.Text))
                        .OrderBy(left => left.Member, StringComparer.Ordinal),
                ];
            }
        }
    }

    private static bool IsFramework(Assembly assembly)
    {
        string name = assembly.GetName().Name ?? "";
        return Frameworks.Contains(name) || Frameworks.Take(2).Any(framework => name.StartsWith($"{framework}.", StringComparison.Ordinal));
    }

    [UnconditionalSuppressMessage("Trimming", "IL2026", Justification = "A class that was trimmed away is not offered.")]
    private static Dictionary<Type, List<Type>> Read(IEnumerable<Assembly> assemblies)
    {
        Dictionary<Type, List<Type>> bySupertype = [];
        foreach (Type type in assemblies.SelectMany(TypesOf).Where(IsConstructible))
        {
            foreach (Type supertype in TypeCatalog.AllSupertypes(type)
                .Select(Definition)
                .Distinct()
                .Where(supertype => supertype != typeof(object)))
            {
                if (!bySupertype.TryGetValue(supertype, out List<Type>? implementing))
                {
                    bySupertype.Add(supertype, implementing = []);
                }

                implementing.Add(type);
            }
        }

        return bySupertype;
    }

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

    /// <summary>A class that takes the service in its constructor is a decorator, and one that takes a list of it a composite: neither can
    /// be what is missing.</summary>
    [UnconditionalSuppressMessage("Trimming", "IL2070", Justification = "A class that was trimmed away is not offered.")]
    private static bool Fits(Type type, Type service)
    {
        Type? closed = type.IsGenericTypeDefinition ? GenericClosing.Close(type, service) : type;
        return closed is not null
            && service.IsAssignableFrom(closed)
            && (!type.IsNestedPrivate || Outermost(type) == Outermost(service))
            && !type.GetConstructors()
                .Any(constructor => constructor.GetParameters()
                    .Any(parameter => Definition(parameter.ParameterType) == Definition(service)
                        || ElementOf(parameter.ParameterType) == service));
    }

    /// <summary>The element of a list or an array; null for other types.</summary>
    private static Type? ElementOf(Type type) => type.IsArray ? type.GetElementType()
        : type is { IsGenericType: true, Namespace: "System.Collections.Generic" } ? type.GenericTypeArguments[0]
        : null;

    private static Type Outermost(Type type) => type.DeclaringType is null ? type : Outermost(type.DeclaringType);

    private static Type Definition(Type type) => type.IsConstructedGenericType ? type.GetGenericTypeDefinition() : type;
}
