using Junctivor.Generators.Symbols;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Following;

/// <summary>Reads the types that a call names, as its type arguments or with <c>typeof</c>.</summary>
/// <param name="compilation">The source.</param>
/// <param name="values">Reads values.</param>
internal sealed class TypeReading(Compilation compilation, ValueReading values)
{
    /// <summary>A type written with more names than this comes from a module that calls itself with ever larger types.</summary>
    private const int MostNames = 200;

    public Compilation Compilation => compilation;

    /// <summary>A type, with what is known of its type parameters.</summary>
    /// <exception cref="UnfollowableException">One of them is not known.</exception>
    public ITypeSymbol In(ITypeSymbol type, Frame frame, IOperation at)
    {
        ITypeSymbol closed = In(type, frame);
        bool isDefinition = closed is INamedTypeSymbol && SymbolEqualityComparer.Default.Equals(closed, closed.OriginalDefinition);
        return isDefinition || frame.Template is not null || !SymbolType.IsOpenType(closed)
            ? closed
            : throw new UnfollowableException(
                $"{SymbolNames.Short(closed)} has a type parameter, which is known only where it is used",
                Operations.LocationOf(at),
                Obstacle.RunTime);
    }

    private ITypeSymbol In(ITypeSymbol type, Frame frame) => Substitution.In(Erasure.Of(type, compilation), frame.Types, compilation);

    /// <summary>A field, property or method of the type around it with what is known of its type parameters: two closed types have two of
    /// them.</summary>
    public ISymbol MemberIn(ISymbol member, Frame frame) =>
        member.ContainingType is { IsGenericType: true } around
        && In((ITypeSymbol)around, frame) is INamedTypeSymbol closed
            ? closed.GetMembers(member.Name)
                .FirstOrDefault(each => SymbolEqualityComparer.Default.Equals(each.OriginalDefinition, member.OriginalDefinition)) ?? member
            : member;

    /// <summary>The type arguments of a member and of the types around it, by the parameters that they are for.</summary>
    /// <exception cref="UnfollowableException">One of them grows without end.</exception>
    public IReadOnlyDictionary<ITypeSymbol, ITypeSymbol> ArgumentsOf(ISymbol member, Frame frame, Location at)
    {
        Dictionary<ITypeSymbol, ITypeSymbol> types = new(SymbolEqualityComparer.Default);
        if (member is IMethodSymbol method)
        {
            for (int number = 0; number < method.Arity; number++)
            {
                types.Add(method.OriginalDefinition.TypeParameters[number], In(method.TypeArguments[number], frame));
            }
        }

        AddArgumentsOf(member.ContainingType, frame, types);
        return types.Values.All(type => NamesIn(type, MostNames) <= MostNames)
            ? types
            : throw new UnfollowableException($"{member.Name} calls itself with ever larger types", at);
    }

    /// <summary>How many names it takes to write a type; counted as far as a limit.</summary>
    private static int NamesIn(ITypeSymbol type, int limit)
    {
        int names = 1;
        IEnumerable<ITypeSymbol> parts = type switch
        {
            IArrayTypeSymbol array => [array.ElementType],
            INamedTypeSymbol { IsGenericType: true } named => SymbolType.AllArguments(named),
            _ => [],
        };
        foreach (ITypeSymbol part in parts)
        {
            if (names <= limit)
            {
                names += NamesIn(part, limit - names);
            }
        }

        return names;
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
    public ITypeSymbol OfValue(IOperation value, Frame frame) => values.ResolveKept(value, frame) switch
    {
        (ITypeOfOperation type, Frame at) => In(type.TypeOperand, at, type),
        (IOperation other, _) => throw values.Unknown(other, "the type"),
    };
}
