namespace Junctivor.Runtime;

/// <summary>What the method that creates one plan takes from around it.</summary>
internal sealed class CodeNeeds
{
    private readonly CodeParts _parts;
    private readonly HashSet<Plan> _seen = [];
    private readonly HashSet<Plan> _ready = [];
    private bool _owns;
    private bool _calls;

    public CodeNeeds(Plan root, CodeParts parts)
    {
        _parts = parts;
        Visit(root, isTop: true, Fetched, Take);
        Taken.ForEach(VisitScoped);
        CanCreateScoped = !_owns
            && !_calls
            && Scoped.TrueForAll(parts.CanCreate)
            && Scoped.Count(scoped => scoped.IsOwned) <= ScopeWord.MostOrdered;
    }

    /// <summary>Whether it can make all scoped services itself that are not there.</summary>
    public bool CanCreateScoped { get; }

    /// <summary>What may be there, and must be.</summary>
    public List<Plan> Fetched { get; } = [];

    /// <summary>What more must be there if scoped services have to be created.</summary>
    public List<Plan> FetchedToCreate { get; } = [];

    /// <summary>The scoped services that it passes to constructors.</summary>
    public List<Plan> Taken { get; } = [];

    /// <summary>These and those that they need, each behind those that it needs.</summary>
    public List<Plan> Scoped { get; } = [];

    private void Take(Plan scoped)
    {
        if (_seen.Add(scoped))
        {
            Taken.Add(scoped);
        }
    }

    private void VisitScoped(Plan scoped)
    {
        if (!_ready.Add(scoped))
        {
            return;
        }

        if (_parts.CanCreate(scoped))
        {
            foreach (Plan inner in _parts.Inside(scoped))
            {
                Visit(inner, isTop: false, FetchedToCreate, VisitScoped);
            }
        }

        Scoped.Add(scoped);
    }

    private void Visit(Plan plan, bool isTop, List<Plan> fetched, Action<Plan> takeScoped)
    {
        bool isCut = !isTop && _parts.IsCut(plan);
        _calls |= isCut;
        switch (CodeForms.Of(plan))
        {
            case CodeForm.Fetched when _seen.Add(plan):
                fetched.Add(plan);
                break;
            case CodeForm.Scoped:
                takeScoped(plan);
                break;
            case CodeForm.Constructed or CodeForm.List or CodeForm.Dictionary when !isCut:
                _owns |= plan.IsOwned;
                foreach (Plan inner in _parts.Inside(plan))
                {
                    Visit(inner, isTop: false, fetched, takeScoped);
                }

                break;
        }
    }
}
