using Junctivor.Benchmarks.Running;

namespace Junctivor.Benchmarks.Cases;

/// <summary>Checking and building a thousand services, as the first thing that a process does.</summary>
internal sealed class ColdBuildCase : Case
{
    private const int Services = 1_000;

    private readonly StartProgram _program = new(isPrecompiled: true);

    public override string Name => "cold-build-1000";

    public override string Against => "bare reading by reflection";

    public override double Limit => 4;

    public override int MoreBytes => int.MaxValue;

    public override bool IsCold => true;

    public override void Prepare() => _program.Publish();

    public override object? ByHand() => _program.Time("read", Services);

    public override object? Wired() => _program.Time("build", Services);
}
