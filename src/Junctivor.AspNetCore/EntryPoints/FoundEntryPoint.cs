using System.Reflection;

namespace Junctivor.EntryPoints;

/// <summary>An entry point, and what is written for it: that tells its place in the source, if it is known.</summary>
internal sealed record FoundEntryPoint(EntryPoint EntryPoint, MemberInfo? Written);
