namespace Junctivor.Runtime;

/// <summary>Makes what a plan says, in one go.</summary>
/// <param name="home">The container or scope that is asked.</param>
/// <param name="around">What it is made for step by step, and which then owns what is to be ended; null where it is what was asked for.</param>
/// <returns>The instance. Where something is not as usual, what was asked for is made step by step, and the rest gives null and has done
/// nothing.</returns>
internal delegate object? PlanCode(Resolver home, Construction? around);
