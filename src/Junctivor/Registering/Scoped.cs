namespace Junctivor;

/// <summary>
/// Starts a registration of a service that is made once for each unit of work (a request, a message, a job), at the
/// first asking in its scope, and ends when the scope ends. All members are safe for use by several threads.
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
