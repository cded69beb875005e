using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Following;

/// <summary>One evaluation of a method, property or initializer: what is known there of parameters, type parameters and <c>this</c>. Two
/// evaluations have two frames, even of the same method.</summary>
internal sealed class Frame
{
    /// <summary>Nothing is known: a wiring that is complete begins here.</summary>
    public static readonly Frame Empty = new();

    /// <summary>The arguments of parameters, and the elements that the variables of loops stand for, each with the frame in which it is
    /// evaluated.</summary>
    public IReadOnlyDictionary<ISymbol, (IOperation Value, Frame Frame)> Arguments { get; init; } =
        new Dictionary<ISymbol, (IOperation, Frame)>(SymbolEqualityComparer.Default);

    /// <summary>The variable of a loop over a wiring, or the parameter of a function that is called for each of its entries, and the entry;
    /// null for another frame.</summary>
    public (ISymbol Variable, WiringEntry Entry)? Element { get; init; }

    /// <summary>The type arguments.</summary>
    public IReadOnlyDictionary<ITypeSymbol, ITypeSymbol> Types { get; init; } =
        new Dictionary<ITypeSymbol, ITypeSymbol>(SymbolEqualityComparer.Default);

    /// <summary>The declaration that is evaluated; null for the whole source.</summary>
    public SyntaxNode? Body { get; init; }

    /// <summary>The evaluation that a local function, lambda or round of a loop belongs to.</summary>
    public Frame? Outer { get; init; }

    /// <summary>The object that <c>this</c> is; null in static members, and in those of the object that the wiring begins with.</summary>
    public CreatedObject? Receiver { get; init; }

    /// <summary>The call that is evaluated; null if there is none.</summary>
    public Location? CallSite { get; init; }

    /// <summary>The frame of that call.</summary>
    public Frame? Caller { get; init; }

    /// <summary>The member that callers in other projects use: its parameters stay open. Null for a wiring that is complete.</summary>
    public ISymbol? Template { get; init; }

    /// <summary>The field or property whose initializer is evaluated; null if there is none.</summary>
    public ISymbol? Initialized { get; init; }

    /// <summary>What is known inside a method that other projects call: that its parameters are what they are.</summary>
    public static Frame TemplateOf(ISymbol member) => new()
    {
        Types = member is IMethodSymbol method
            ? method.TypeParameters.Cast<ITypeSymbol>().ToDictionary<ITypeSymbol, ITypeSymbol>(type => type, SymbolEqualityComparer.Default)
            : Empty.Types,
        Template = member,
    };

    /// <summary>The entry that a variable stands for; null if it stands for none.</summary>
    public WiringEntry? ElementOf(ISymbol variable)
    {
        for (Frame? frame = this; frame is not null; frame = frame.Outer)
        {
            if (frame.Element is { } element && SymbolEqualityComparer.Default.Equals(element.Variable, variable))
            {
                return element.Entry;
            }
        }

        return null;
    }

    /// <summary>The calls that lead to here, the innermost first.</summary>
    public IEnumerable<Location> Calls()
    {
        for (Frame? frame = this; frame is not null; frame = frame.Caller)
        {
            if (frame.CallSite is { } call)
            {
                yield return call;
            }
        }
    }

    /// <summary>The evaluation in which a variable, parameter or local function is declared; null if it is none of these.</summary>
    public Frame? HomeOf(ISymbol variable)
    {
        SyntaxReference? declaration = variable.DeclaringSyntaxReferences.FirstOrDefault();
        for (Frame? frame = this; frame is not null; frame = frame.Outer)
        {
            if (frame.Body is null
                || (frame.Body.SyntaxTree == declaration?.SyntaxTree
                    && frame.Body.Span.Contains(declaration.Span)
                    && frame.Body.Span != declaration.Span))
            {
                return frame;
            }
        }

        return null;
    }

    /// <summary>Whether a parameter is one that callers in other projects pass.</summary>
    public bool IsOpen(IParameterSymbol parameter) =>
        Template is { } member && SymbolEqualityComparer.Default.Equals(parameter.ContainingSymbol, member);
}
