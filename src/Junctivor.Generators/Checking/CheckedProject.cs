using Junctivor.Generators.Following;

namespace Junctivor.Generators.Checking;

/// <summary>The wirings of a project that were checked.</summary>
/// <param name="Roots">Each wiring.</param>
/// <param name="Dependencies">What was read for that.</param>
internal sealed record CheckedProject(IReadOnlyList<CheckedRoot> Roots, SourceDependencies Dependencies);
