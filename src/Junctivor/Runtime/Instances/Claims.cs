namespace Junctivor.Runtime;

/// <summary>What is being created in one container or scope; its store guards it. Mostly that is nothing, or a few: the newest is wanted
/// first.</summary>
internal sealed class Claims
{
    /// <summary>Up to how many are looked through one after the other.</summary>
    private const int Few = 8;

    private Claim? _newest;
    private int _count;
    private Dictionary<Plan, Claim>? _byPlan;

    /// <summary>Who creates it; null if nobody does.</summary>
    public Claim? Find(Plan plan)
    {
        if (_byPlan is not null)
        {
            return _byPlan.GetValueOrDefault(plan);
        }

        Claim? claim = _newest;
        while (claim is not null && claim.Plan != plan)
        {
            claim = claim.Older;
        }

        return claim;
    }

    public void Add(Claim claim)
    {
        claim.Older = _newest;
        if (_newest is not null)
        {
            _newest.Newer = claim;
        }

        _newest = claim;
        if (++_count > Few)
        {
            Index();
        }
    }

    public void Remove(Claim claim)
    {
        if (claim.Newer is null)
        {
            _newest = claim.Older;
        }
        else
        {
            claim.Newer.Older = claim.Older;
        }

        if (claim.Older is not null)
        {
            claim.Older.Newer = claim.Newer;
        }

        _byPlan?.Remove(claim.Plan);
        if (--_count == 0)
        {
            _byPlan = null;
        }
    }

    private void Index()
    {
        if (_byPlan is not null)
        {
            _byPlan.Add(_newest!.Plan, _newest);
            return;
        }

        _byPlan = [];
        for (Claim? claim = _newest; claim is not null; claim = claim.Older)
        {
            _byPlan.Add(claim.Plan, claim);
        }
    }
}
