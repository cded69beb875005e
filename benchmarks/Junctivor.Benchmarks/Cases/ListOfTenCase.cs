using Junctivor.Benchmarks.Services;

namespace Junctivor.Benchmarks.Cases;

/// <summary>A list of ten.</summary>
internal sealed class ListOfTenCase : Case
{
    private readonly Container _container = Ten().Build();

    public override string Name => "list-of-ten";

    public override double Limit => 1.1;

    public override object? ByHand() =>
        new Mast(
            new ISignal[]
            {
                new Flag(), new Flag(), new Flag(), new Flag(), new Flag(), new Flag(), new Flag(), new Flag(), new Flag(), new Flag(),
            });

    public override object? Wired() => _container.Resolve<Mast>();

    private static Wiring Ten()
    {
        Wiring wiring = [Transient.Of<Mast>()];
        for (int number = 0; number < 10; number++)
        {
            wiring.Add(Transient.Of<ISignal, Flag>().Accept("JV204", reason: "ten of them are meant"));
        }

        return wiring;
    }
}
