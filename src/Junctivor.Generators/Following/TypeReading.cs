using Junctivor.Generators.Symbols;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Following;

/// <summary>Reads the types that a call names, as its type arguments or with <c>typeof</c>.</summary>
/// <param name="compilation">The source.</param>
internal sealed class TypeReading(Compilation compilation)
{
    public Compilation Compilation => compilation;

    /// <summary>A type, with what is known of its type parameters.</summary>
    public ITypeSymbol In(ITypeSymbol type, Frame frame) =>
        Substitution.In(Erasure.Of(type, compilation), frame.Types, compilation);

    /// <summary>The type arguments of a call, by the parameters that they are for.</summary>
    public IReadOnlyDictionary<ITypeSymbol, ITypeSymbol> ArgumentsOf(IMethodSymbol method, Frame frame)
    {
        Dictionary<ITypeSymbol, ITypeSymbol> types = new(SymbolEqualityComparer.Default);
        for (int number = 0; number < method.Arity; number++)
        {
            types.Add(method.OriginalDefinition.TypeParameters[number], In(method.TypeArguments[number], frame));
        }

        if (method.ContainingType is { IsGenericType: true } around)
        {
            foreach ((ITypeSymbol parameter, ITypeSymbol argument) in SymbolType.AllArguments(around.OriginalDefinition)
                .Zip(SymbolType.AllArguments(around), (parameter, argument) => (parameter, argument)))
            {
                types.Add(parameter, In(argument, frame));
            }
        }

        return types;
    }

    /// <summary>What a call names with <c>typeof</c>.</summary>
    public ITypeSymbol OfValue(IOperation value, Frame frame) => frame.Resolve(value) switch
    {
        (ITypeOfOperation type, Frame at) => In(type.TypeOperand, at),
        (IOperation other, _) => throw Operations.Unknown(other, "the type"),
    };
}
