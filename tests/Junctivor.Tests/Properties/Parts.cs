namespace Junctivor.Tests.Properties;

// Services that a random wiring is made from: IPart<I3> is the service of node 3, and Made<I3, …> takes what the model says.
public interface IAlso<TId>
{
    void Touch();
}

public interface IPart<TId> : IAlso<TId>;

public interface IStrange;

public sealed class Nothing;

public sealed class Made<TId, T1, T2, T3> : IPart<TId>, IDisposable
{
    private readonly Journal _journal;
    private readonly object?[] _needs;
    private readonly int _number;

    public Made(Journal journal, T1 one, T2 two, T3 three)
    {
        _journal = journal;
        _needs = [one, two, three];
        _number = journal.Make(typeof(TId));
    }

    /// <summary>Uses what is only requested later.</summary>
    public void Touch()
    {
        foreach (object need in _needs.OfType<object>())
        {
            Type type = need.GetType();
            if (type.IsGenericType
                && (type.GetGenericTypeDefinition() == typeof(Lazy<>) || type.GetGenericTypeDefinition() == typeof(Func<>)))
            {
                _ = type.GetProperty("Value")?.GetValue(need) ?? ((Delegate)need).DynamicInvoke();
            }
        }
    }

    public void Dispose() => _journal.End(_number);
}

public sealed class Wrapped<TId>(IPart<TId> inner, Journal journal) : IPart<TId>, IDisposable
{
    private readonly int _number = journal.Make(typeof(Wrapped<TId>));

    public void Touch() => inner.Touch();

    public void Dispose() => journal.End(_number);
}

/// <summary>What was created, and what is disposed, in order.</summary>
public sealed class Journal
{
    private readonly List<Type> _made = [];
    private readonly List<int> _ended = [];
    private readonly List<Type> _endedIds = [];

    public IReadOnlyList<int> Ended => _ended;

    /// <summary>What ended that nobody saw being created.</summary>
    public IEnumerable<string> EndedIds => _endedIds.Select(id => id.Name);

    public int Count => _made.Count;

    public int CountOf(Type id) => _made.Count(made => made == id);

    public int Make(Type id)
    {
        _made.Add(id);
        return _made.Count;
    }

    public void End(int number) => _ended.Add(number);

    public void End(Type id) => _endedIds.Add(id);
}

public sealed class I0;

public sealed class I1;

public sealed class I2;

public sealed class I3;

public sealed class I4;

public sealed class I5;

public sealed class I6;

public sealed class I7;

public sealed class I8;

public sealed class I9;
