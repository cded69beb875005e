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
    /// <exception cref="UnfollowableException">One of them is not known.</exception>
    public ITypeSymbol In(ITypeSymbol type, Frame frame, IOperation at)
    {
        ITypeSymbol closed = In(type, frame);
        bool isDefinition = closed is INamedTypeSymbol && SymbolEqualityComparer.Default.Equals(closed, closed.OriginalDefinition);
        return isDefinition || frame.IsTemplate || !SymbolType.IsOpenType(closed)
            ? closed
            : throw new UnfollowableException(
                $"{SymbolNames.Short(closed)} has a type parameter, which is known only where it is used", Operations.LocationOf(at));
    }

    private ITypeSymbol In(ITypeSymbol type, Frame frame) => Substitution.In(Erasure.Of(type, compilation), frame.Types, compilation);

    /// <summary>The type arguments of a call, by the parameters that they are for.</summary>
    public IReadOnlyDictionary<ITypeSymbol, ITypeSymbol> ArgumentsOf(IMethodSymbol method, Frame frame)
    {
        Dictionary<ITypeSymbol, ITypeSymbol> types = new(SymbolEqualityComparer.Default);
        for (int number = 0; number < method.Arity; number++)
        {
            types.Add(method.OriginalDefinition.TypeParameters[number], In(method.TypeArguments[number], frame));
        }

        AddArgumentsOf(method.ContainingType, frame, types);
        return types;
    }

    /// <summary>The type arguments of the type around a member, by the parameters that they are for.</summary>
    public IReadOnlyDictionary<ITypeSymbol, ITypeSymbol> ArgumentsOf(INamedTypeSymbol around, Frame frame)
    {
        Dictionary<ITypeSymbol, ITypeSymbol> types = new(SymbolEqualityComparer.Default);
        AddArgumentsOf(around, frame, types);
        return types;
    }

    private void AddArgumentsOf(INamedTypeSymbol? around, Frame frame, Dictionary<ITypeSymbol, ITypeSymbol> types)
    {
        if (around is not { IsGenericType: true })
        {
            return;
        }

        foreach ((ITypeSymbol parameter, ITypeSymbol argument) in SymbolType.AllArguments(around.OriginalDefinition)
            .Zip(SymbolType.AllArguments(around), (parameter, argument) => (parameter, argument)))
        {
            types.Add(parameter, In(argument, frame));
        }
    }

    /// <summary>What a call names with <c>typeof</c>.</summary>
    public ITypeSymbol OfValue(IOperation value, Frame frame) => frame.Resolve(value) switch
    {
        (ITypeOfOperation type, Frame at) => In(type.TypeOperand, at, type),
        (IOperation other, _) => throw Operations.Unknown(other, "the type"),
    };
}
