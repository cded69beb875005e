namespace Junctivor;

/// <summary>
/// Starts a transient registration: each request creates a new instance, which is disposed with the scope in which it was
/// created. All members are safe for use by several threads.
/// </summary>
/// <example>
/// <code>
/// Wiring wiring = [Transient.Of&lt;BerthPlanner&gt;()];
/// </code>
/// </example>
public static partial class Transient;
