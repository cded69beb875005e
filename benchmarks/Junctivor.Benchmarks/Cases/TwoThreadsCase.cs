using Junctivor.Benchmarks.Services;

namespace Junctivor.Benchmarks.Cases;

/// <summary>A scope over two services, often, on two threads; against half of that on one.</summary>
internal sealed class TwoThreadsCase : Case
{
    private const int Scopes = 20_000;

    private readonly Container _container = new Wiring { Scoped.Of<Session>(), Scoped.Of<Ledger>(), Transient.Of<Handler>() }.Build();

    public override bool HasThreads => true;

    public override string Name => "two-threads";

    public override string Against => "half of it on one thread";

    public override double Limit => 1 / 0.9;

    public override int MoreBytes => int.MaxValue;

    public override object? ByHand() => Work();

    public override object? Wired()
    {
        Task<object?> other = Task.Run(Work);
        Work();
        return other.Result;
    }

    private object? Work()
    {
        Handler? made = null;
        for (int number = 0; number < Scopes; number++)
        {
            using Scope scope = _container.StartScope();
            made = scope.Resolve<Handler>();
        }

        return made;
    }
}
