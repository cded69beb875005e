using Junctivor.Benchmarks.Services;

namespace Junctivor.Benchmarks.Cases;

/// <summary>Two values of one type, distinguished by marks.</summary>
internal sealed class MarksCase : Case
{
    private readonly Container _container = new Wiring
    {
        Transient.Of<Buoy>().Marked("north"),
        Transient.Of<Buoy>().Marked("south"),
        Transient.Of<Depths>(),
    }.Build();

    public override string Name => "marks";

    public override double Limit => 1.1;

    public override object? ByHand() => new Depths(new Buoy(), new Buoy());

    public override object? Wired() => _container.Resolve<Depths>();
}
