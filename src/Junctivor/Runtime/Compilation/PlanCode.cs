namespace Junctivor.Runtime;

/// <summary>Creates what a plan says, in one go.</summary>
/// <param name="home">The container or scope that is asked.</param>
/// <param name="around">What it is created for step by step, and which then owns what is to be disposed; null if it is what was
/// requested.</param>
/// <returns>The instance. Where something is not as usual, the resolved service is created step by step, and the rest returns null and has
/// done nothing.</returns>
internal delegate object? PlanCode(Resolver home, Construction? around);
