using System.Diagnostics;
using System.Runtime.CompilerServices;
using Junctivor.Checks;
using Junctivor.Graph;
using Junctivor.Registering;

namespace Junctivor.Runtime;

/// <summary>
/// Creates one service with all it needs. It walks the plans with a stack of its own, so that a chain of any length is created;
/// only user code that resolves in its turn nests on the thread's stack, and there a cycle is found before the stack ends.
/// </summary>
internal sealed class Construction
{
    [ThreadStatic]
    private static Construction? Innermost;

    /// <summary>How often user code may resolve while it is constructed, one inside the other: far more often than anybody means
    /// to.</summary>
    private const int Deepest = 10_000;

    private readonly FrameStack _frames = new();
    private readonly OwnedBuffer _made = new();
    private Resolver _asked = null!;
    private ServiceGraph _graph = null!;
    private Construction? _outer;
    private Type? _consumer;
    private object[] _given = [];
    private ContainerObservers? _watch;
    private int _depth;
    private Exception? _failure;

    /// <summary>The construction whose user code started this one, on the same thread.</summary>
    public Construction? Outer => _outer;

    /// <summary>What is being created, from the resolved service to what is created right now.</summary>
    public IEnumerable<Frame> Frames => _frames.FromBelow;

    /// <summary>The class or factory that is under construction on this thread; null for none.</summary>
    public static string? InnermostName => Innermost?.NameFrom(0);

    /// <summary>The class or factory for which the topmost frame is created: one below, or one that holds a wrapper, or one that resolves
    /// it in its own construction. Null where it was resolved directly.</summary>
    private string? RequesterOfTop => NameFrom(1);

    private ConstructionPath Path => new(this, _graph);

    private ConstructionFaults Faults => new(Path);

    /// <summary>Returns an instance, created in <paramref name="requested"/> or in the scope around it that it belongs to.</summary>
    /// <exception cref="ResolveException">It needs a scope or a value that is not there, or itself.</exception>
    /// <exception cref="ConstructionException">User code threw.</exception>
    /// <exception cref="ObjectDisposedException">The scope that it belongs to is disposed.</exception>
    public static object Run(Plan plan, Resolver requested) => Run(plan, requested, null, []);

    /// <param name="plan">What to make.</param>
    /// <param name="requested">The container or scope that resolves it.</param>
    /// <param name="consumer">The class that asks, through a wrapper that it holds; null from outside.</param>
    public static object Run(Plan plan, Resolver requested, Type? consumer) => Run(plan, requested, consumer, []);

    /// <param name="plan">What to make.</param>
    /// <param name="requested">The container or scope that resolves it.</param>
    /// <param name="consumer">The class that asks, through a wrapper that it holds; null from outside.</param>
    /// <param name="given">The arguments of the call that constructs.</param>
    public static object Run(Plan plan, Resolver requested, Type? consumer, object[] given)
    {
        if (plan.IsShared && requested.HomeOf(plan.Level)?.Find(plan.Slot) is { } ready)
        {
            return ready;
        }

        CodeQueue codes = requested.Plans.Codes;
        object instance = Run(plan, requested, consumer, given, owner: requested);
        codes.RecordRun(plan);
        return instance;
    }

    /// <summary>Gathers the arguments of something that is created asynchronously.</summary>
    /// <param name="gathering">The plan that gathers them.</param>
    /// <param name="requested">Where they are wanted.</param>
    /// <param name="cancellationToken">What they get who take a token.</param>
    /// <param name="created">What was created for it and is to be disposed, in the order of creation: the caller owns it.</param>
    public static object?[] Gather(
        Plan gathering, Resolver requested, CancellationToken cancellationToken, out OwnedSlice created)
    {
        OwnedBuffer unowned = new();
        object?[] arguments = (object?[])Run(gathering, requested, null, [cancellationToken], owner: null, unowned);
        created = unowned.Since(0);
        return arguments;
    }

    private static object Run(
        Plan plan, Resolver requested, Type? consumer, object[] given, Resolver? owner, OwnedBuffer? unowned = null)
    {
        Construction construction = ConstructionPool.Rent();
        construction.Begin(requested, consumer, given);
        try
        {
            return RuntimeHelpers.TryEnsureSufficientExecutionStack()
                ? construction.Run(plan, owner, unowned)
                : StackExtension.Run(() => construction.GoOn(plan, owner, unowned));
        }
        finally
        {
            construction.Reset();
        }
    }

    /// <summary>Stands for one that owns nothing: for the parts of something that is created in one go.</summary>
    public static readonly Construction None = new();

    /// <summary>Takes on something to dispose, until it is known who owns it.</summary>
    public void Own(Resolver home, object instance)
    {
        // What the scope created in one go was created before this, and so is to be listed before it.
        home.Store.TakeOver();
        _made.Add(OwnedInstance.New(instance));
    }

    private void Begin(Resolver requested, Type? consumer, object[] given)
    {
        _asked = requested;
        _graph = requested.Plans.Graph;
        _consumer = consumer;
        _given = given;
        _watch = requested.Observers.IsOn ? requested.Observers : null;
        _outer = Innermost;
        _depth = _outer is null ? 1 : _outer._depth + 1;
        Innermost = this;
    }

    /// <summary>Goes on with a construction on another thread, as the stack of its own is nearly full.</summary>
    private object GoOn(Plan plan, Resolver? owner, OwnedBuffer? unowned)
    {
        Innermost = this;
        return Run(plan, owner, unowned);
    }

    /// <summary>Lets go of all that it holds, and stays for the next one.</summary>
    private void Reset()
    {
        Innermost = _outer;
        _asked = null!;
        _graph = null!;
        _outer = null;
        _consumer = null;
        _given = [];
        _watch = null;
        _failure = null;
        _frames.Trim();
        ConstructionPool.Return(this);
    }

    private object Run(Plan plan, Resolver? owner, OwnedBuffer? unowned)
    {
        if (_depth > Deepest)
        {
            throw Faults.EndlessCycle(plan);
        }

        bool isDone = false;
        try
        {
            object? result = Take(plan, default, _asked);
            while (_frames.TryPeek(out Frame? frame))
            {
                result = frame.IsReady ? Finish(frame) : TakeNext(frame);
            }

            TransferOwnership(owner, unowned);
            isDone = true;
            return result!;
        }
        catch (Exception failure) when (IsNoted(failure))
        {
            throw;
        }
        finally
        {
            if (!isDone)
            {
                Abandon();
            }
        }
    }

    /// <summary>Remembers what is thrown. It is not caught: a handler runs on top of the stack that threw, of which little may be
    /// left.</summary>
    private bool IsNoted(Exception failure)
    {
        _failure = failure;
        return false;
    }

    /// <summary>Fills the next argument of a frame, or puts a frame on top that will.</summary>
    private object? TakeNext(Frame frame)
    {
        object? value = Take(frame.Plan.Arguments[frame.Filled], new ArgumentOf(frame.Plan, frame.Filled), frame.Home);
        if (_frames.TryPeek(out Frame? top) && top == frame)
        {
            frame.Fill(value);
        }

        return value;
    }

    /// <summary>Returns what is there already; else puts a frame on top for it, and returns null.</summary>
    private object? Take(Plan plan, ArgumentOf parameter, Resolver requested)
    {
        Resolver home = requested.HomeOf(plan.Level) ?? throw Faults.OutsideScope(plan, parameter.Name, requested, _outer?.NameFrom(0));
        if (plan.IsShared)
        {
            return TakeShared(plan, parameter, home);
        }

        if (_watch is null && plan.TryRunCode(requested, this) is { } created)
        {
            return created;
        }

        if (plan.NeedsFrame)
        {
            _frames.Push(plan, parameter, home, null, _made.Count);
            return null;
        }

        object? given = plan.Recipe.Construct(SurroundingsIn(home), []);
        return given is null ? Nothing(plan, parameter, home) : given;
    }

    /// <summary>Some may be nothing; a declared value and a scope may not.</summary>
    private object? Nothing(Plan plan, ArgumentOf parameter, Resolver home)
    {
        return plan.Node is { Kind: NodeKind.Incoming } ? throw Faults.NotSupplied(plan, parameter.Name)
            : plan.IsScope ? throw Faults.NoScope(_frames.TryPeek(out Frame? taker) ? taker.Plan.Node : null, home)
            : null;
    }

    /// <summary>Where something is created that no registration stands for.</summary>
    private ResolutionContext SurroundingsIn(Resolver home)
    {
        Type? consumer = null;
        for (int below = 0; _frames.TryPeek(below, out Frame? frame); below++)
        {
            if (frame.Plan.Class is { } asking)
            {
                if (consumer is not null)
                {
                    return new ResolutionContext(home, consumer, asking, _given, this);
                }

                consumer = asking;
            }
        }

        return consumer is null
            ? new ResolutionContext(home, _consumer, null, _given, this)
            : new ResolutionContext(home, consumer, _consumer, _given, this);
    }

    private object? TakeShared(Plan plan, ArgumentOf parameter, Resolver home)
    {
        if ((home.Find(plan.Slot) ?? (_watch is null ? plan.TryRunCode(home, this) : null)) is { } ready)
        {
            return ready;
        }

        if (plan.Gathering is not null)
        {
            throw home.IsDisposed ? home.DisposedException() : Faults.NotReady(plan, parameter.Name);
        }

        while (true)
        {
            if (home.Store.FindOrClaim(plan, out Claim? claim, out bool isNew) is { } instance)
            {
                return instance;
            }

            if (claim is null)
            {
                throw home.DisposedException();
            }

            if (isNew)
            {
                _frames.Push(plan, parameter, home, claim, _made.Count);
                return null;
            }

            if (claim.IsMine)
            {
                throw Faults.Cycle(plan, parameter.Name, home);
            }

            if (!WaitGraph.TryWait(
                claim, Path.To(plan, parameter.Name), home.Root.ConstructionTimeout, out IReadOnlyList<FaultStep>? cycle))
            {
                throw new ResolveException(CycleRule.AtRunTime(cycle));
            }
        }
    }

    /// <summary>Creates the object of a frame whose arguments are there, and gives it to the frame below.</summary>
    private object Finish(Frame frame)
    {
        object instance = Construct(frame);
        if (frame.Claim is not null)
        {
            Keep(frame, frame.Claim, instance);
        }

        _frames.Pop();
        if (_frames.TryPeek(out Frame? below))
        {
            below.Fill(instance);
        }

        return instance;
    }

    /// <summary>
    /// Calls the recipe. What comes from deeper constructions is not caught but only told the way here: a handler runs on
    /// top of the stack that threw, and after a deep ring there is little of it left.
    /// </summary>
    private object Construct(Frame frame)
    {
        long started = _watch is null ? 0 : Stopwatch.GetTimestamp();
        try
        {
            object created = frame.Plan.Recipe.Construct(new ResolutionContext(frame.Home, null, null, _given, this), frame.Arguments)
                ?? throw new InvalidOperationException(
                    $"The factory of {frame.Plan.Node?.Name} returned null; a factory must return an instance.");
            if (frame.Plan.IsOwned && created is IDisposable or IAsyncDisposable)
            {
                Own(frame.Home, created);
            }

            if (_watch is not null && frame.Plan.CallsUserCode)
            {
                _watch.Constructed(
                    frame.Plan.Node!, created, frame.Home, started, frame.Arguments, _watch.IsRecorded ? RequesterOfTop : null);
            }

            return created;
        }
        catch (Exception failure) when (!IsFromDeeper(failure))
        {
            if (_watch is not null && frame.Plan.CallsUserCode)
            {
                _watch.NotConstructed(
                    frame.Plan.Node!, failure, frame.Home, started, frame.Arguments, _watch.IsRecorded ? RequesterOfTop : null);
            }

            throw new ConstructionException(Path.Here, failure);
        }
    }

    /// <summary>The nearest class or factory that is under construction, leaving out some of the topmost frames.</summary>
    private string? NameFrom(int below)
    {
        for (; _frames.TryPeek(below, out Frame? frame); below++)
        {
            if (frame.Plan.Node is { } node)
            {
                return node.Name;
            }
        }

        return _consumer is null ? _outer?.NameFrom(0) : TypeNames.Short(_consumer);
    }

    private bool IsFromDeeper(Exception failure)
    {
        if (failure is ConstructionException deeper)
        {
            deeper.CameThrough(Path.Here);
            return true;
        }

        return failure is ResolveException;
    }

    private void Keep(Frame frame, Claim claim, object instance)
    {
        if (!frame.Home.Store.Keep(frame.Plan, instance, _made.Since(frame.CreatedBefore), claim))
        {
            throw frame.Home.DisposedException();
        }

        _made.CutTo(frame.CreatedBefore);
    }

    private void TransferOwnership(Resolver? owner, OwnedBuffer? unowned)
    {
        if (_made.Count == 0)
        {
            return;
        }

        if (owner is null)
        {
            for (int number = 0; number < _made.Count; number++)
            {
                unowned!.Add(_made.Since(0)[number]);
            }
        }
        else if (!owner.Store.Own(_made.Since(0)))
        {
            throw owner.DisposedException();
        }

        _made.CutTo(0);
    }

    /// <summary>Disposes what was created for something that failed.</summary>
    private void Abandon()
    {
        List<Exception>? failures = null;
        Disposal.DisposeUnused(_made.Since(0).Reversed(), _asked, ref failures);
        DisposalFailures.Add(_failure, failures);
        _made.CutTo(0);
        for (; _frames.TryPeek(out Frame? frame); _frames.Pop())
        {
            if (frame.Claim is not null)
            {
                frame.Home.Store.Release(frame.Claim);
            }
        }
    }
}
