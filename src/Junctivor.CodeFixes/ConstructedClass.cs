using Junctivor.Generators.Following;
using Microsoft.CodeAnalysis;

namespace Junctivor.CodeFixes;

/// <summary>A class that is constructed by hand: what it is passed as, and the values that it is constructed with.</summary>
/// <param name="type">The class.</param>
internal sealed class ConstructedClass(INamedTypeSymbol type)
{
    private readonly List<ITypeSymbol> _services = [];
    private readonly List<string> _values = [];
    private readonly List<IOperation> _passed = [];

    public INamedTypeSymbol Type => type;

    /// <summary>The types of the parameters that it is passed to.</summary>
    public IReadOnlyList<ITypeSymbol> Services => _services;

    /// <summary>The values that it is constructed with, and those of what is constructed in the same expression.</summary>
    public IReadOnlyList<IOperation> Values => _passed;

    /// <summary>Something that is constructed in the same expression.</summary>
    public void Contain(ConstructedClass part) => _passed.AddRange(part._passed);

    public void Serve(ITypeSymbol service)
    {
        ITypeSymbol plain = service.WithNullableAnnotation(NullableAnnotation.None);
        if (!_services.Contains(plain, SymbolEqualityComparer.Default))
        {
            _services.Add(plain);
        }
    }

    /// <summary>A value that it is constructed with. One without a type of its own, such as <c>null</c>, gets that of the
    /// parameter.</summary>
    public void Pass(IParameterSymbol parameter, IOperation value, SemanticModel model)
    {
        SyntaxNode written = value.Syntax;
        _passed.Add(value);
        bool hasType = Operations.WithoutConversions(value).Type is not null && model.GetTypeInfo(written).Type is not null;
        string cast = hasType ? "" : $"({parameter.Type.ToMinimalDisplayString(model, written.SpanStart)})";
        _values.Add($".Passing(\"{parameter.Name}\", {cast}{written})");
    }

    /// <summary>Its registration. By hand there is one object of each class, so it is a singleton.</summary>
    public string Written(SemanticModel model, int position)
    {
        IEnumerable<ITypeSymbol> others = _services.Where(service => !SymbolEqualityComparer.Default.Equals(service, type));
        bool isItself = _services.Count == 0 || _services.Contains(type, SymbolEqualityComparer.Default);
        string types = isItself ? Shown(type) : $"{Shown(others.First())}, {Shown(type)}";
        string also = string.Concat(others.Skip(isItself ? 0 : 1).Select(service => $".Also<{Shown(service)}>()"));
        return $"Singleton.Of<{types}>(){also}{string.Concat(_values)}";

        string Shown(ITypeSymbol shown) => shown.ToMinimalDisplayString(model, position);
    }
}
