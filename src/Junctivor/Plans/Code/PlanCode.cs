namespace Junctivor.Plans;

/// <summary>Makes what a plan says, in one go.</summary>
/// <param name="home">The container or scope that is asked.</param>
/// <param name="isAlone">Whether it is made step by step where something is not as usual; otherwise that is left to the caller.</param>
/// <returns>The instance; null where it is left to the caller, and then nothing has been done.</returns>
internal delegate object? PlanCode(Resolver home, bool isAlone);
