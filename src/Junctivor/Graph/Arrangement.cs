namespace Junctivor.Graph;

/// <summary>
/// Settles what counts: which registrations are replaced, and which count only because nobody else serves.
/// </summary>
internal sealed class Arrangement
{
    private readonly Dictionary<ServiceId, List<Offer>> _offers = [];
    private readonly List<Node> _replacingNothing = [];
    private readonly HashSet<Node> _active = [];

    public Arrangement(IReadOnlyList<Node> written)
    {
        Decorators = [.. written.Where(node => node.IsDecorator)];
        IReadOnlyList<Node> serving = [.. written.Where(node => !node.IsDecorator)];
        foreach (Node node in serving.Where(node => !node.Endings.IsIfMissing))
        {
            Place(node);
        }

        AddWhereMissing([.. serving.Where(node => node.Endings.IsIfMissing)]);
        foreach (List<Offer> offers in _offers.Values)
        {
            offers.Sort((one, other) => one.Position != other.Position ? one.Position - other.Position : one.Node.Order - other.Node.Order);
            _active.UnionWith(offers.Select(offer => offer.Node));
        }
    }

    /// <summary>In the order written: the first is the innermost.</summary>
    public IReadOnlyList<Node> Decorators { get; }

    public IReadOnlyList<Node> ReplacingNothing => _replacingNothing;

    public IEnumerable<Offer> All => _offers.Values.SelectMany(offers => offers);

    /// <summary>The offers of each service that several serve.</summary>
    public IEnumerable<IReadOnlyList<Offer>> ServedBySeveral => _offers.Values.Where(offers => offers.Count > 1);

    /// <summary>Whether a registration still serves anything.</summary>
    public bool Counts(Node node) => node.IsDecorator || _active.Contains(node);

    /// <summary>Who offers exactly this: for a generic service, this closing or this definition.</summary>
    public IReadOnlyList<Offer> Of(ServiceId service) => _offers.TryGetValue(service, out List<Offer>? offers) ? offers : [];

    private void Place(Node node)
    {
        bool replacedAny = false;
        foreach (ServiceId service in node.Offers)
        {
            List<Offer> offers = Slot(service);
            List<Offer> replaced = node.Endings.IsReplacing
                ? [.. offers.Where(offer => Equals(offer.Node.Endings.OnlyFor, node.Endings.OnlyFor))]
                : [];
            offers.RemoveAll(replaced.Contains);
            offers.Add(new Offer(node, service, replaced.Count > 0 ? replaced.Min(offer => offer.Position) : node.Order));
            replacedAny |= replaced.Count > 0;
        }

        if (node.Endings.IsReplacing && !replacedAny)
        {
            _replacingNothing.Add(node);
        }
    }

    private void AddWhereMissing(IReadOnlyList<Node> waiting)
    {
        HashSet<ServiceId> served = [.. _offers.Where(pair => pair.Value.Count > 0).Select(pair => pair.Key)];
        foreach (Node node in waiting)
        {
            foreach (ServiceId service in node.Offers.Where(service => !served.Contains(service)))
            {
                Slot(service).Add(new Offer(node, service, node.Order));
            }
        }
    }

    private List<Offer> Slot(ServiceId service)
    {
        if (!_offers.TryGetValue(service, out List<Offer>? offers))
        {
            _offers.Add(service, offers = []);
        }

        return offers;
    }
}
