namespace Junctivor.Reports.Faults;

/// <summary>A wiring of a program that the compiler could not follow: it is checked only when the program runs. Immutable.</summary>
/// <param name="Name">The name of the wiring; or the place where it is built, such as <c>Build at Program.cs:12</c>.</param>
/// <param name="Reason">Why the compiler could not follow it.</param>
/// <param name="File">The source file of what it could not follow, as the compiler recorded it; empty if unknown.</param>
/// <param name="Line">The line in <paramref name="File"/>, counted from 1; 0 if unknown.</param>
public sealed record UnfollowedWiring(string Name, string Reason, string File, int Line);
