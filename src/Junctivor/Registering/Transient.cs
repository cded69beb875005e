namespace Junctivor;

/// <summary>
/// Starts a transient registration: a new instance is created each time it is injected or resolved, which is disposed with the scope in
/// which it was created. All members are safe for use by several threads.
/// </summary>
/// <example>
/// <code>
/// Wiring wiring = [Transient.Of&lt;BerthPlanner&gt;()];
/// </code>
/// </example>
public static partial class Transient;
