namespace Junctivor;

/// <summary>
/// Starts a scoped registration: one instance for each unit of work (a request, a message, a job), created when it is first resolved in its
/// scope, and disposed with the scope. All members are safe for use by several threads.
/// </summary>
/// <example>
/// <code>
/// Wiring wiring =
/// [
///     Scoped.Incoming&lt;Caller&gt;(),
///     Scoped.Of&lt;SqliteBerthLedger&gt;().Also&lt;IBerthLedger&gt;(),
/// ];
/// </code>
/// </example>
public static partial class Scoped;
