using Junctivor.Benchmarks.Running;

namespace Junctivor.Benchmarks.Cases;

/// <summary>Checking and building ten thousand services, as the first thing that a process does; against one thousand.</summary>
internal sealed class ColdBuildLargeCase : Case
{
    private const int Few = 1_000;
    private const int Many = 10_000;

    private readonly StartProgram _program = new(isPrecompiled: true);

    public override string Name => "cold-build-10000";

    public override string Against => "a tenth of them";

    public override double Limit => 12;

    public override int MoreBytes => int.MaxValue;

    public override bool IsCold => true;

    public override void Prepare() => _program.Publish();

    public override object? ByHand() => _program.Time("build", Few);

    public override object? Wired() => _program.Time("build", Many);
}
