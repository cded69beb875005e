using Junctivor.Graph;

namespace Junctivor.Generators.Symbols;

/// <summary>A constructor, read from the compiler's symbols.</summary>
/// <param name="isChosen">Whether it carries <c>[Inject]</c>.</param>
/// <param name="parameters">What it takes.</param>
internal sealed class SymbolConstructor(bool isChosen, Parameter[] parameters) : Constructor(isChosen)
{
    public override Parameter[] Parameters => parameters;

    public override Constructor With(Parameter[] others) => new SymbolConstructor(IsChosen, others);

    public override void Forget()
    {
        // The compiler keeps its symbols anyway.
    }
}
