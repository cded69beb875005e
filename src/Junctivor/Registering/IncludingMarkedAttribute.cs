namespace Junctivor;

/// <summary>
/// Lets a list have the marked registrations of its service beside the unmarked ones, all in the order of the wiring. Without it, a list
/// has the unmarked ones only. Immutable.
/// </summary>
/// <example>
/// <code>
/// public sealed class NoticeDesk([IncludingMarked] IReadOnlyList&lt;INoticeChannel&gt; channels);
/// </code>
/// </example>
[AttributeUsage(AttributeTargets.Parameter | AttributeTargets.Property)]
public sealed class IncludingMarkedAttribute : Attribute;
