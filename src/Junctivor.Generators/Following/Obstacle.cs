namespace Junctivor.Generators.Following;

/// <summary>Why a wiring cannot be followed.</summary>
internal enum Obstacle
{
    /// <summary>The way in which it is written or packed: written in another way, it could be followed.</summary>
    Writing,

    /// <summary>It says something that only the run can know: a plug-in, a scan, something that is passed from outside.</summary>
    RunTime,

    /// <summary>It is larger than what is followed.</summary>
    Size,
}
