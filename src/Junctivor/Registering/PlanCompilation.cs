namespace Junctivor;

/// <summary>When a container compiles code for what it is asked for. It changes how fast services are made, and nothing else.</summary>
public enum PlanCompilation
{
    /// <summary>In the background, for what has been made twice. What is asked for once is made without compiling anything.</summary>
    InBackground,

    /// <summary>At the first asking, right after the first instance was made: whoever asks waits for it.</summary>
    Immediate,

    /// <summary>Never: everything is made by reflection. So it is too where code cannot be made at run time, whatever is asked for here.</summary>
    Never,
}
