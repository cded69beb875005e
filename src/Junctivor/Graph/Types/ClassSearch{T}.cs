namespace Junctivor.Graph;

/// <summary>Finds classes that are not registered and implement a service, in the assemblies that a wiring mentions: only for advice. The
/// assemblies are read once, when the first advice is wanted. One thread at a time may use it.</summary>
/// <typeparam name="T">A type, as the reader has it: reflected, or a symbol.</typeparam>
/// <param name="types">The types.</param>
/// <param name="classes">Returns the classes of those assemblies that have a public constructor.</param>
internal sealed class ClassSearch<T>(TypeModel<T> types, Func<IEnumerable<T>> classes)
    where T : class
{
    private static readonly string[] Frameworks = ["System", "Microsoft", "netstandard", "mscorlib", "Junctivor"];

    private Dictionary<T, List<T>>? _bySupertype;

    /// <summary>Whether an assembly is not the user's own.</summary>
    public static bool IsFramework(string assembly) => Frameworks.Contains(assembly)
        || Frameworks.Take(2).Any(framework => assembly.StartsWith($"{framework}.", StringComparison.Ordinal));

    /// <summary>The classes, as they would be registered: a generic one as its definition.</summary>
    public IEnumerable<T> Implementing(T service)
    {
        _bySupertype ??= Read();
        return _bySupertype.TryGetValue(types.DefinitionOf(service), out List<T>? found) ? found.Where(type => Fits(type, service)) : [];
    }

    private Dictionary<T, List<T>> Read()
    {
        Dictionary<T, List<T>> bySupertype = new(types.Comparer);
        foreach (T type in classes())
        {
            foreach (T supertype in types.SupertypesOf(type).Select(types.DefinitionOf).Distinct(types.Comparer))
            {
                if (!bySupertype.TryGetValue(supertype, out List<T>? implementing))
                {
                    bySupertype.Add(supertype, implementing = []);
                }

                implementing.Add(type);
            }
        }

        return bySupertype;
    }

    /// <summary>A class that takes the service in its constructor is a decorator, and one that takes a list of it a composite: neither can
    /// be what is missing.</summary>
    private bool Fits(T type, T service)
    {
        T? closed = types.IsOpen(type) ? types.Close(type, service) : type;
        return closed is not null
            && types.SupertypesOf(closed).Contains(service, types.Comparer)
            && (!types.IsPrivate(type) || types.Comparer.Equals(types.Outermost(type), types.Outermost(service)))
            && !types.ConstructorParametersOf(type)
                .Any(parameter => types.Comparer.Equals(types.DefinitionOf(parameter), types.DefinitionOf(service))
                    || (ElementOf(parameter) is { } element && types.Comparer.Equals(element, service)));
    }

    /// <summary>The element of a list or an array; null for other types.</summary>
    private T? ElementOf(T type) => types.ArrayOf(type) is { } array ? array.Element
        : types.NamespaceOf(type) == "System.Collections.Generic" && types.ArgumentsOf(type) is { Count: > 0 } arguments ? arguments[0]
        : null;
}
