namespace Junctivor.Model;

/// <summary>A container, real or not, as a story is told of it.</summary>
public interface IRun
{
    /// <summary>The container.</summary>
    object Root { get; }

    object StartShift(object outer);

    /// <param name="outer">Where it starts.</param>
    /// <param name="hasValues">Whether what the wiring declares is supplied.</param>
    object StartScope(object outer, bool hasValues);

    void End(object scope);

    /// <exception cref="Refusal">It cannot be had.</exception>
    object Resolve(object scope, int number, bool isAlso, string? mark);

    /// <summary>What can be seen of something.</summary>
    Shown Show(object thing);
}
