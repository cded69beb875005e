namespace Junctivor.Graph;

/// <summary>
/// Finds closed types that would follow from each other without end: <c>Box&lt;T&gt;</c> that requires <c>Box&lt;(T, T)&gt;</c>. A type is
/// refused after a few such steps, or earlier if there are very many of them.
/// </summary>
internal sealed class TypeGrowth
{
    /// <summary>How often an open registration may lead to a larger closed type of itself.</summary>
    private const int MostSteps = 5;

    /// <summary>Closed types that take this many steps count against the total.</summary>
    private const int CountedSteps = 2;

    private const int MostCounted = 200;

    private Dictionary<TypeRef, Step>? _steps;
    private Dictionary<TypeRef, Step>? _refused;
    private int _counted;

    /// <summary>The node whose dependencies are bound; null for a call from outside.</summary>
    public Node? Consumer { get; set; }

    /// <summary>The closed types that lead to one that is refused, the smallest first; none if it is not refused.</summary>
    public IReadOnlyList<TypeRef> ChainTo(TypeRef type)
    {
        if (_refused?.GetValueOrDefault(type) is not { } last)
        {
            return [];
        }

        List<TypeRef> chain = [];
        for (Step? step = last; step is not null; step = step.Previous)
        {
            if (step.Definition.Equals(last.Definition))
            {
                chain.Insert(0, step.Closed);
            }
        }

        return chain;
    }

    /// <summary>What could not be closed for a type, because there would be no end; null if nothing was refused.</summary>
    public Node? RefusedFor(TypeRef type) => _refused?.GetValueOrDefault(type)?.Open;

    /// <summary>Takes note that the consumer leads to a closed type.</summary>
    /// <param name="open">What is closed: an open registration, or a class that is not registered.</param>
    /// <param name="closed">The service that it is closed for.</param>
    /// <returns>The step; null if there would be no end.</returns>
    public Step? Enter(Node open, TypeRef closed)
    {
        TypeRef definition = open.Implementation.Definition ?? open.Implementation;
        Step? previous = Consumer is { } consumer ? _steps?.GetValueOrDefault(consumer.Implementation) : null;
        Step? same = previous;
        while (same is not null && !same.Definition.Equals(definition))
        {
            same = same.Previous;
        }

        int number = same is null ? 0 : same.Number + (closed.Nesting > same.Closed.Nesting ? 1 : 0);
        Step step = new(open, definition, closed, number, previous);
        bool isCounted = same is not null && number > same.Number && number >= CountedSteps;
        if (number > MostSteps || (isCounted && ++_counted > MostCounted))
        {
            (_refused ??= [])[closed] = step;
            return null;
        }

        _refused?.Remove(closed);
        return step;
    }

    /// <summary>Takes note of the class that a step leads to: what it requires follows from it.</summary>
    public void Lead(TypeRef implementation, Step step) => (_steps ??= [])[implementation] = step;

    /// <summary>A closed type, and what led to it.</summary>
    internal sealed record Step(Node Open, TypeRef Definition, TypeRef Closed, int Number, Step? Previous);
}
