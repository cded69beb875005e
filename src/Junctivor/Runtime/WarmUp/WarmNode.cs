using Junctivor.Graph;

namespace Junctivor.Runtime;

/// <summary>Something that is warm.</summary>
/// <param name="Node">What it is.</param>
/// <param name="Needs">What it needs of the rest that warms up.</param>
/// <param name="WindDown">What comes after the last work; null if there is nothing.</param>
/// <param name="Background">What runs in the background as long as it is warm; null if there is nothing.</param>
internal sealed record WarmNode(
    Node Node, IReadOnlyList<Node> Needs, Func<CancellationToken, Task>? WindDown, BackgroundRun? Background);
