using Junctivor.Benchmarks.Services;

namespace Junctivor.Benchmarks.Cases;

/// <summary>A chain of ten thousand transients.</summary>
internal sealed class LongChainCase : Case
{
    private const int Length = 10_000;
    private const int FirstCalls = 3;

    private Container? _container;
    private Func<object>? _byHand;
    private Type? _first;

    public override void Prepare()
    {
        (IReadOnlyList<Type> classes, _byHand) = EmittedClasses.EmitChain(Length);
        _first = classes[0];
        Wiring wiring = [.. classes.Select(each => Transient.Of(each))];
        _container = wiring.Build();

        // Its code is made in the background, and takes longer than any warm-up: without it, something else would be measured.
        for (int time = 0; time < FirstCalls; time++)
        {
            Wired();
        }

        _container.WaitForCompilationAsync().GetAwaiter().GetResult();
    }

    public override string Name => "long-chain";

    public override double Limit => 1.1;

    public override object? ByHand() => _byHand!();

    public override object? Wired() => _container!.Resolve(_first!);
}
