namespace Junctivor.Model;

/// <summary>What can be seen of something that was resolved.</summary>
public abstract record Shown
{
    public sealed record Part(string Name, IReadOnlyList<object?> Needs) : Shown;

    public sealed record List(IReadOnlyList<object> All) : Shown;

    public sealed record Keyed(IReadOnlyList<(string Mark, object Thing)> All) : Shown;

    public sealed record Later(Func<object> Get) : Shown;

    public sealed record Fresh(Action<Action<object>> Run) : Shown;

    public sealed record Nothing : Shown;
}
