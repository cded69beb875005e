using Junctivor.Benchmarks.Running;

namespace Junctivor.Benchmarks.Cases;

/// <summary>A process from its start to its end: a hundred distinct classes, wired and checked, one request served.</summary>
internal sealed class StartCase(bool isPrecompiled) : Case
{
    private readonly StartProgram _program = new(isPrecompiled);

    public override string Name => isPrecompiled ? "start" : "start-portable";

    public override double Limit => isPrecompiled ? 1.7 : 4;

    public override int MoreBytes => int.MaxValue;

    public override bool IsCold => true;

    public override void Prepare() => _program.Publish();

    public override object? ByHand()
    {
        _program.Serve("by-hand");
        return null;
    }

    public override object? Wired()
    {
        _program.Serve("wired");
        return null;
    }
}
