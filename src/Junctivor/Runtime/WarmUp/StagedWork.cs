using Junctivor.Graph;

namespace Junctivor.Runtime;

/// <summary>
/// One piece of work of a warm-up or wind-down, as long as it runs: what it awaits in its turn must not wait for it. What it began and left
/// to itself may.
/// </summary>
internal sealed class StagedWork
{
    private static readonly AsyncLocal<StagedWork?> Current = new();

    private readonly Container _container;
    private readonly Node _node;
    private readonly string _kind;
    private readonly StagedWork? _outer;
    private volatile bool _isOver;

    private StagedWork(Container container, Node node, string kind)
    {
        _container = container;
        _node = node;
        _kind = kind;
        _outer = Current.Value;
    }

    /// <summary>Begins one in the present flow of control: the caller is an asynchronous method, at whose end that is over.</summary>
    public static StagedWork Begin(Container container, Node node, string kind) => Current.Value = new StagedWork(container, node, kind);

    public void Finish() => _isOver = true;

    /// <exception cref="InvalidOperationException">The caller is work that the call would wait for.</exception>
    public static void ThrowIfInside(Container container, string call)
    {
        for (StagedWork? work = Current.Value; work is not null; work = work._outer)
        {
            if (work._container == container && !work._isOver)
            {
                throw new InvalidOperationException(
                    $"The {work._kind} of {work._node.Name} calls {call}, which waits for that {work._kind}: it would never complete. "
                        + $"Call it after the {work._kind} of the container has completed.");
            }
        }
    }
}
