using Junctivor.Plans;

namespace Junctivor.Runtime;

/// <summary>One object in the making, and how far its arguments are.</summary>
internal sealed class Frame(Plan plan, string? parameter, Resolver home, Claim? claim, int madeBefore)
{
    public Plan Plan { get; } = plan;

    /// <summary>For which parameter of the frame below it is made.</summary>
    public string? Parameter { get; } = parameter;

    /// <summary>The container or scope in which it is made.</summary>
    public Resolver Home { get; } = home;

    /// <summary>What keeps others from making the same; null where nothing is shared.</summary>
    public Claim? Claim { get; } = claim;

    /// <summary>How many things to end had been made before it.</summary>
    public int MadeBefore { get; } = madeBefore;

    public object?[] Arguments { get; } = plan.Arguments.Length == 0 ? [] : new object?[plan.Arguments.Length];

    /// <summary>How many arguments are there.</summary>
    public int Filled { get; private set; }

    public bool IsReady => Filled == Arguments.Length;

    public void Fill(object? argument) => Arguments[Filled++] = argument;
}
