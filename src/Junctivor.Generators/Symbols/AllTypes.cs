using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Symbols;

/// <summary>The types of an assembly, in the order in which the compiler writes them.</summary>
internal static class AllTypes
{
    public static IEnumerable<INamedTypeSymbol> In(IAssemblySymbol assembly)
    {
        Queue<INamedTypeSymbol> open = new(TopLevel(assembly.GlobalNamespace));
        while (open.TryDequeue(out INamedTypeSymbol? type))
        {
            yield return type;
            foreach (INamedTypeSymbol nested in type.GetTypeMembers())
            {
                open.Enqueue(nested);
            }
        }
    }

    private static IEnumerable<INamedTypeSymbol> TopLevel(INamespaceSymbol root)
    {
        Stack<INamespaceSymbol> open = new([root]);
        while (open.TryPop(out INamespaceSymbol? around))
        {
            foreach (INamespaceOrTypeSymbol member in around.GetMembers())
            {
                if (member is INamespaceSymbol inner)
                {
                    open.Push(inner);
                }
                else
                {
                    yield return (INamedTypeSymbol)member;
                }
            }
        }
    }
}
