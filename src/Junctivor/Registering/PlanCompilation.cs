namespace Junctivor;

/// <summary>When a container compiles plans to code. This affects the speed, and nothing else.</summary>
public enum PlanCompilation
{
    /// <summary>In the background, for services that were created twice.</summary>
    InBackground,

    /// <summary>When the service is first resolved, after the first instance was created: the call waits for it.</summary>
    Immediate,

    /// <summary>Never: instances are created by reflection. This is also used if code cannot be generated at run time.</summary>
    Never,
}
