namespace Junctivor;

/// <summary>
/// Starts a registration of a service that is made anew for everybody who asks, and ends with the scope in which it was
/// made. All members are safe for use by several threads.
/// </summary>
/// <example>
/// <code>
/// Wiring wiring = [Transient.Of&lt;BerthPlanner&gt;()];
/// </code>
/// </example>
public static partial class Transient;
