using System.Diagnostics;

namespace Junctivor.Telemetry;

/// <summary>What was begun when a scope started, and is to be disposed with it.</summary>
/// <param name="Level">The name of its level.</param>
/// <param name="IsCounted">Whether it was counted as open.</param>
/// <param name="Activity">The activity; null if nobody wanted one.</param>
internal sealed record ScopeTrace(string Level, bool IsCounted, Activity? Activity);
