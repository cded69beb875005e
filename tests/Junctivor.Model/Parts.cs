namespace Junctivor.Model;

// What random wirings are made from. IPart<I3> and IAlso<I3> are the services of number 3; a class takes what the model says.
public interface IAlso<TId>
{
    string Name { get; }

    object?[] Needs { get; }
}

public interface IPart<TId> : IAlso<TId>;

public sealed class I0;

public sealed class I1;

public sealed class I2;

public sealed class I3;

public sealed class I4;

/// <summary>Met by one instance for all: a parameter that means nothing.</summary>
public sealed class Nothing;

/// <summary>Tells that it is created.</summary>
public abstract class Told<TId> : IPart<TId>
{
    private readonly Journal _journal;
    private readonly int _number;

    protected Told(Journal journal, object?[] needs)
    {
        _journal = journal;
        _number = journal.Make(typeof(TId).Name, this);
        Needs = needs;
    }

    public string Name => $"{typeof(TId).Name}.{_number}";

    public object?[] Needs { get; }

    protected void Ended() => _journal.End(typeof(TId).Name, _number);
}

public class Made<TId, T1, T2>(Journal journal, T1 one, T2 two) : Told<TId>(journal, [one, two]);

public sealed class MadeEnding<TId, T1, T2>(Journal journal, T1 one, T2 two) : Made<TId, T1, T2>(journal, one, two), IDisposable
{
    public void Dispose() => Ended();
}

public sealed class MadeEndingLater<TId, T1, T2>(Journal journal, T1 one, T2 two) : Made<TId, T1, T2>(journal, one, two), IAsyncDisposable
{
    public ValueTask DisposeAsync()
    {
        Ended();
        return ValueTask.CompletedTask;
    }
}

/// <summary>Requests the first by its mark.</summary>
public sealed class MadeByMark<TId, T1, T2>(Journal journal, [Marked("a")] T1 one, T2 two) : Told<TId>(journal, [one, two]), IDisposable
{
    public void Dispose() => Ended();
}

/// <summary>Can do without the first.</summary>
public sealed class MadeWithout<TId, T1, T2>(Journal journal, T1? one, T2 two) : Told<TId>(journal, [one, two]), IDisposable
    where T1 : class
{
    public void Dispose() => Ended();
}

/// <summary>Nobody sees that it is created: its constructor only keeps what it is given.</summary>
public sealed class Plain<TId, T1, T2>(Journal journal, T1 one, T2 two) : IPart<TId>, IDisposable
{
    private readonly Journal _journal = journal;
    private readonly T1 _one = one;
    private readonly T2 _two = two;

    public string Name => typeof(TId).Name;

    public object?[] Needs => [_one, _two];

    public void Dispose() => _journal.End(Name, 0);
}

public sealed class Wrapped<TId, T1>(IPart<TId> inner, Journal journal, T1 one) : Told<TId>(journal, [inner, one]), IDisposable
{
    public void Dispose() => Ended();
}

public sealed class WrappedAlso<TId, T1> : IAlso<TId>, IDisposable
{
    private readonly Journal _journal;
    private readonly int _number;

    public WrappedAlso(IAlso<TId> inner, Journal journal, T1 one)
    {
        _journal = journal;
        _number = journal.Make(typeof(TId).Name, this);
        Needs = [inner, one];
    }

    public string Name => $"{typeof(TId).Name}.{_number}";

    public object?[] Needs { get; }

    public void Dispose() => _journal.End(typeof(TId).Name, _number);
}

public sealed class PlainlyWrapped<TId, T1>(IPart<TId> inner, Journal journal, T1 one) : IPart<TId>, IDisposable
{
    private readonly IPart<TId> _inner = inner;
    private readonly Journal _journal = journal;
    private readonly T1 _one = one;

    public string Name => typeof(TId).Name;

    public object?[] Needs => [_inner, _one];

    public void Dispose() => _journal.End(Name, 0);
}

/// <summary>A value that somebody supplies, or that the wiring brings.</summary>
public sealed class Given<TId>(Journal journal) : IPart<TId>, IDisposable
{
    public string Name => $"given {typeof(TId).Name}";

    public object?[] Needs => [];

    public void Dispose() => journal.End(Name, 0);
}
