using System.Runtime.CompilerServices;

namespace Junctivor.Benchmarks.Cases;

/// <summary>One thing that a container does, beside the same done by hand. Both do it <see cref="Times"/> times at a call.</summary>
public abstract class Case
{
    private static object? Held;

    /// <summary>What a benchmark is called with on the command line.</summary>
    public abstract string Name { get; }

    /// <summary>What the hand-written twin is.</summary>
    public virtual string Against => "by hand";

    /// <summary>How often a call does it: often for what is small, so that the call itself does not count.</summary>
    public virtual int Times => 1;

    /// <summary>The ratio of times that is wanted, at the most.</summary>
    public abstract double Limit { get; }

    /// <summary>How many bytes more than by hand are wanted, at the most.</summary>
    public virtual int MoreBytes => 0;

    /// <summary>How many times the bytes by hand are wanted beside <see cref="MoreBytes"/>, at the most.</summary>
    public virtual int BytesByHand => 1;

    /// <summary>Whether it counts how it goes the first time: with something new for each call.</summary>
    public virtual bool IsCold => false;

    /// <summary>Whether it works on several threads.</summary>
    public virtual bool HasThreads => false;

    /// <summary>Comes before the first call, and where <see cref="IsCold"/> before each; it is not measured.</summary>
    public virtual void Prepare()
    {
    }

    /// <summary>Does it.</summary>
    /// <returns>What was made; where <see cref="IsCold"/>, it can be the time that a process tells of itself.</returns>
    public abstract object? ByHand();

    public abstract object? Wired();

    /// <summary>Takes an object as other code would, so that the compiler does not leave it out.</summary>
    [MethodImpl(MethodImplOptions.NoInlining)]
    protected static void Hold(object held) => Held = held;

    public override string ToString() => Name;
}
