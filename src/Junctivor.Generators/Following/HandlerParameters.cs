using Junctivor.Generators.Symbols;
using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Following;

/// <summary>Tells which parameters of the handler of an endpoint are services.</summary>
internal static class HandlerParameters
{
    private const string FromServices = "Microsoft.AspNetCore.Mvc.FromServicesAttribute";
    private const string FromKey = "FromKeyedServicesAttribute";

    /// <summary>The attributes that the compiler writes itself, and that say nothing of how a value is found.</summary>
    private const string OfCompiler = "System.Runtime.CompilerServices";

    /// <summary>Methods of the host that map requests without a body: a class in them that says nothing of itself is a service.</summary>
    private static readonly string[] WithoutBody = ["MapGet", "MapDelete"];

    /// <summary>How a type says that it is made of the text of a request, or of the request.</summary>
    private static readonly string[] Binding = ["TryParse", "BindAsync"];

    /// <summary>Whether it must be a service.</summary>
    /// <param name="parameter">The parameter.</param>
    /// <param name="mapping">The method that maps the endpoint.</param>
    public static bool IsService(IParameterSymbol parameter, IMethodSymbol mapping) =>
        parameter.GetAttributes().Any(attribute => Operations.IsOf(attribute.AttributeClass, FromServices))
        || KeyOf(parameter) is not null
        || IsOnlyService(parameter, mapping);

    /// <summary>Whether the wiring decides: a class of which the parameter says nothing.</summary>
    public static bool IsPossible(IParameterSymbol parameter) =>
        SaysNothing(parameter)
        && parameter.Type is INamedTypeSymbol { TypeKind: TypeKind.Class or TypeKind.Interface, SpecialType: SpecialType.None };

    /// <summary>What the host calls a key is a mark in the wiring.</summary>
    public static object? KeyOf(IParameterSymbol parameter) => parameter.GetAttributes()
        .Where(attribute => attribute.AttributeClass?.Name == FromKey && attribute.ConstructorArguments.Length == 1)
        .Select(attribute => attribute.ConstructorArguments[0].Value)
        .FirstOrDefault(key => key is string or ITypeSymbol);

    /// <summary>Whether it can be nothing else: no text becomes an interface or an abstract class that does not say how, nor any class
    /// without a body.</summary>
    private static bool IsOnlyService(IParameterSymbol parameter, IMethodSymbol mapping) =>
        SaysNothing(parameter)
        && SaysNothing(parameter.Type)
        && !IsBound(parameter.Type)
        && (parameter.Type.TypeKind == TypeKind.Interface
            || (parameter.Type.TypeKind == TypeKind.Class && parameter.Type.SpecialType == SpecialType.None
                && (parameter.Type.IsAbstract || WithoutBody.Contains(mapping.Name))));

    private static bool SaysNothing(ISymbol symbol) => symbol.GetAttributes().All(attribute =>
        attribute.AttributeClass?.ContainingNamespace?.ToDisplayString() == OfCompiler);

    private static bool IsBound(ITypeSymbol type) => SymbolType.AllSupertypes(type)
        .Prepend(type)
        .SelectMany(each => each.GetMembers().OfType<IMethodSymbol>())
        .Any(method => method.IsStatic && Binding.Contains(method.Name.Substring(method.Name.LastIndexOf('.') + 1)));
}
