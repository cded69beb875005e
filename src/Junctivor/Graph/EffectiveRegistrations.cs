namespace Junctivor.Graph;

/// <summary>
/// Settles what counts: which registrations are replaced, and which count only because nobody else serves.
/// </summary>
internal sealed class EffectiveRegistrations
{
    private readonly CandidateTable _offers = new();
    private readonly List<Node> _replacingNothing = [];
    private HashSet<Node>? _outdone;

    public EffectiveRegistrations(IReadOnlyList<Node> written)
    {
        List<Node> decorators = [];
        List<Node> waiting = [];
        bool isAnyReplacing = false;
        foreach (Node node in written)
        {
            if (node.IsDecorator)
            {
                decorators.Add(node);
            }
            else if (node.Has(RegistrationFlags.IfMissing))
            {
                waiting.Add(node);
            }
            else
            {
                isAnyReplacing |= node.Has(RegistrationFlags.Replacing);
                Place(node);
            }
        }

        Decorators = decorators;
        if (waiting.Count > 0)
        {
            AddWhereMissing(waiting);
        }

        _offers.Sort();
        if (isAnyReplacing || waiting.Count > 0)
        {
            FindOutdone(written);
        }
    }

    /// <summary>In the order written: the first is the innermost.</summary>
    public IReadOnlyList<Node> Decorators { get; }

    public IReadOnlyList<Node> ReplacingNothing => _replacingNothing;

    public IEnumerable<Candidate> All => _offers.All;

    /// <summary>Whether a service is served by several.</summary>
    public bool IsAnyServedBySeveral => _offers.IsAnyOfSeveral;

    /// <summary>Whether every registration counts.</summary>
    public bool IsNoneOutdone => _outdone is null;

    /// <summary>The offers of each service that several serve.</summary>
    public IEnumerable<IReadOnlyList<Candidate>> ServedBySeveral => _offers.OfSeveral;

    /// <summary>Whether a registration still serves anything.</summary>
    public bool Counts(Node node) => _outdone is null || !_outdone.Contains(node);

    /// <summary>Who offers exactly this: for a generic service, this closing or this definition.</summary>
    public IReadOnlyList<Candidate> Of(ServiceId service) => _offers.Of(service);

    /// <summary>The one who offers exactly this, to anybody; null if there is none, or where it takes a choice.</summary>
    public Node? OnlyOne(ServiceId service) => _offers.OnlyOne(service) is { Options.OnlyFor: null } only ? only : null;

    private void FindOutdone(IReadOnlyList<Node> written)
    {
        HashSet<Node> outdone = [.. written.Where(node => !node.IsDecorator)];
        outdone.ExceptWith(_offers.All.Select(offer => offer.Node));
        _outdone = outdone.Count == 0 ? null : outdone;
    }

    private void Place(Node node)
    {
        if (node.Has(RegistrationFlags.Replacing))
        {
            Replace(node);
            return;
        }

        foreach (TypeRef service in node.Services)
        {
            _offers.Add(new ServiceId(service, node.Mark), node);
        }
    }

    private void Replace(Node node)
    {
        bool replacedAny = false;
        foreach (ServiceId service in node.Candidates)
        {
            List<Candidate> offers = _offers.ToChange(service);
            List<Candidate> replaced = [.. offers.Where(offer => Equals(offer.Node.Options.OnlyFor, node.Options.OnlyFor))];
            offers.RemoveAll(replaced.Contains);
            offers.Add(new Candidate(node, service, replaced.Count > 0 ? replaced.Min(offer => offer.Position) : node.Order));
            replacedAny |= replaced.Count > 0;
        }

        if (!replacedAny)
        {
            _replacingNothing.Add(node);
        }
    }

    private void AddWhereMissing(List<Node> waiting)
    {
        List<(ServiceId Service, Node Node)> missing = [.. waiting.SelectMany(
            node => node.Candidates.Where(service => Of(service).Count == 0).Select(service => (service, node)))];
        foreach ((ServiceId service, Node node) in missing)
        {
            _offers.Add(service, node);
        }
    }
}
