using Junctivor.Generators.Following;
using Junctivor.Graph;
using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Symbols;

/// <summary>A constant that a registration in the source passes.</summary>
/// <param name="constant">The constant.</param>
/// <param name="types">Where its type is entered.</param>
internal sealed class SymbolConstant(WrittenConstant constant, SymbolCatalog types)
    : PassedConstant(constant.Parameter, types[constant.Type])
{
    private readonly ITypeSymbol _actual = types.Edition.InFirst(constant.Actual);

    public override bool Fits(Parameter parameter)
    {
        if (constant.IsNull)
        {
            return !parameter.Type.IsValueType || parameter.IsOptional;
        }

        ITypeSymbol wanted = SymbolCatalog.SymbolOf(parameter.Type);
        bool fits = wanted.IsValueType || _actual.IsValueType
            ? SymbolEqualityComparer.Default.Equals(wanted, _actual) || IsAssignable(wanted)
            : IsAssignable(wanted);
        return fits || constant.IsExact
            ? fits
            : throw new UnfollowableException("the type of a constant is known only at run time", constant.Location);
    }

    public override Parameter PassTo(Parameter parameter) => parameter.AsPassed();

    private bool IsAssignable(ITypeSymbol wanted) =>
        types.All.IsAssignable(_actual, wanted);
}
