namespace Junctivor.Runtime;

/// <summary>One object in the making, and how far its arguments are. Used again and again by its <see cref="FrameStack"/>.</summary>
internal sealed class Frame
{
    public Plan Plan { get; private set; } = null!;

    /// <summary>For which parameter of the frame below it is created.</summary>
    public ArgumentOf Parameter { get; private set; }

    /// <summary>The container or scope in which it is created.</summary>
    public Resolver Home { get; private set; } = null!;

    /// <summary>What keeps others from making the same; null if nothing is shared.</summary>
    public Claim? Claim { get; private set; }

    /// <summary>How many things to dispose had been created before it.</summary>
    public int CreatedBefore { get; private set; }

    public object?[] Arguments { get; private set; } = [];

    /// <summary>How many arguments are there.</summary>
    public int Filled { get; private set; }

    public bool IsReady => Filled == Arguments.Length;

    public void Begin(Plan plan, ArgumentOf parameter, Resolver home, Claim? claim, int madeBefore)
    {
        Plan = plan;
        Parameter = parameter;
        Home = home;
        Claim = claim;
        CreatedBefore = madeBefore;
        Arguments = plan.Arguments.Length == 0 ? [] : new object?[plan.Arguments.Length];
        Filled = 0;
    }

    /// <summary>Lets go of what it holds.</summary>
    public void End()
    {
        Plan = null!;
        Parameter = default;
        Home = null!;
        Claim = null;
        Arguments = [];
    }

    public void Fill(object? argument) => Arguments[Filled++] = argument;
}
