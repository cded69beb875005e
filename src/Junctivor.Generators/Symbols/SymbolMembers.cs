using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Symbols;

/// <summary>Finds a member that shows how a type is used: the first method that it declares, or else its first property.</summary>
internal static class SymbolMembers
{
    /// <summary>How it is called, with the names of its parameters, and whether it must be awaited; null where there is none.</summary>
    public static (string Call, bool IsAsync)? FirstUseOf(ITypeSymbol type)
    {
        IReadOnlyList<ITypeSymbol> own = [type, .. type.TypeKind == TypeKind.Interface ? type.AllInterfaces : []];
        IMethodSymbol? method = own.SelectMany(each => each.GetMembers().OfType<IMethodSymbol>()).FirstOrDefault(IsShown);
        if (method is not null)
        {
            string arguments = string.Join(", ", method.Parameters.Select(parameter => parameter.Name));
            return ($"{method.Name}({arguments})", IsAwaited(method.ReturnType));
        }

        return own.SelectMany(each => each.GetMembers().OfType<IPropertySymbol>())
            .FirstOrDefault(property => IsPublicOfInstance(property) && !property.IsIndexer) is { } found
            ? (found.Name, IsAwaited(found.Type))
            : null;
    }

    private static bool IsShown(IMethodSymbol method) =>
        IsPublicOfInstance(method)
        && method is { MethodKind: MethodKind.Ordinary, IsGenericMethod: false }
        && BaseOf(method).ContainingType.SpecialType != SpecialType.System_Object
        && method.Name is not ("Dispose" or "DisposeAsync")
        && !method.Name.Contains('<');

    private static bool IsPublicOfInstance(ISymbol member) => member is { IsStatic: false, DeclaredAccessibility: Accessibility.Public };

    private static IMethodSymbol BaseOf(IMethodSymbol method) => method.OverriddenMethod is { } overridden ? BaseOf(overridden) : method;

    private static bool IsAwaited(ITypeSymbol returned)
    {
        if (SymbolNames.Definition(returned) is "System.Threading.Tasks.ValueTask" or "System.Threading.Tasks.ValueTask`1")
        {
            return true;
        }

        for (ITypeSymbol? type = returned; type is not null; type = type.BaseType)
        {
            if (SymbolNames.Definition(type) == "System.Threading.Tasks.Task")
            {
                return true;
            }
        }

        return false;
    }
}
