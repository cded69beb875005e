using Junctivor.Checks;
using Junctivor.Graph;

namespace Junctivor.Runtime;

/// <summary>Tells, for messages, how a construction came to where it is.</summary>
internal readonly struct ConstructionPath(Construction construction, ServiceGraph graph)
{
    /// <summary>From the resolved service to what is created right now.</summary>
    public IReadOnlyList<FaultStep> Here => Steps(StepsOf(construction));

    /// <summary>From the resolved service to something that is wanted next.</summary>
    public IReadOnlyList<FaultStep> To(Plan next, string? parameter) => Steps(StepsOf(construction).Append((next, parameter)));

    /// <summary>From something that this thread is making to where it is wanted again.</summary>
    public IReadOnlyList<FaultStep> Cycle(Plan wanted, string? parameter, Resolver home) =>
        Steps(Chain().SkipWhile(frame => frame.Plan != wanted || frame.Home != home).Select(StepsOf).Append((wanted, parameter)));

    /// <summary>The newest turn of a cycle that has gone on until the stack was nearly full.</summary>
    public IReadOnlyList<FaultStep> LastCycle(Plan wanted)
    {
        IEnumerable<(Plan, string?)> turn = Chain().Reverse().TakeWhile(frame => frame.Plan != wanted).Reverse().Select(StepsOf);
        return Steps(turn.Prepend((wanted, null)).Append((wanted, null)));
    }

    private static IEnumerable<(Plan Plan, string? Parameter)> StepsOf(Construction construction) => construction.Frames.Select(StepsOf);

    private static (Plan Plan, string? Parameter) StepsOf(Frame frame) => (frame.Plan, frame.Parameter.Name);

    /// <summary>Everything that this thread is making, the outermost first.</summary>
    private IEnumerable<Frame> Chain()
    {
        Stack<Construction> nested = new();
        for (Construction? current = construction; current is not null; current = current.Outer)
        {
            nested.Push(current);
        }

        return nested.SelectMany(each => each.Frames);
    }

    private IReadOnlyList<FaultStep> Steps(IEnumerable<(Plan Plan, string? Parameter)> created)
    {
        FaultPath steps = new(graph);
        int depth = 0;
        foreach ((Plan plan, string? parameter) in created)
        {
            if (plan.Node is not null)
            {
                steps.Made(plan.Node, parameter, depth++);
            }
        }

        return steps.Path;
    }
}
