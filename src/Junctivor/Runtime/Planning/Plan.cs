using System.Runtime.CompilerServices;
using Junctivor.Graph;
using Junctivor.Reading;

namespace Junctivor.Runtime;

/// <summary>The way to make one service with all it needs: a recipe, and the plans of its arguments.</summary>
internal sealed class Plan
{
    public const int NoSlot = -1;

    /// <summary>Stands for what nobody registers.</summary>
    public static readonly Plan Unregistered = new(new ConstantRecipe(null));

    private static readonly Recipe Released = new ConstantRecipe(null);

    private object? _ready;
    private Recipe _recipe;
    private Plan[] _arguments = [];
    private volatile PlanCode? _code;
    private int _runs;

    public Plan(Recipe recipe) => _recipe = recipe;

    public Recipe Recipe => _recipe;

    /// <summary>What it creates; null for a wrapper, a list or a constant, which no registration stands for.</summary>
    public Node? Node { get; init; }

    /// <summary>The class of <see cref="Node"/>, as whom it asks.</summary>
    public Type? Class => (Node?.Implementation as ReflectedType)?.Type;

    /// <summary>Whether it gives the scope itself, and so needs one.</summary>
    public bool IsScope { get; init; }

    /// <summary>Gathers the arguments for something that is created asynchronously; null for all the rest.</summary>
    public Plan? Gathering { get; init; }

    /// <summary>In which scope it is created.</summary>
    public Level Level { get; init; } = Level.Transient;

    /// <summary>Where the instance is kept in the store of its scope; <see cref="NoSlot"/> where none is.</summary>
    public int Slot { get; init; } = NoSlot;

    /// <summary>Whether its creator disposes it.</summary>
    public bool IsOwned { get; init; }

    /// <summary>The plans of what it takes, in the order of the parameters.</summary>
    public Plan[] Arguments
    {
        get => _arguments;
        init => _arguments = value;
    }

    /// <summary>The instance, if there is one for the container and it is created; null otherwise. The caller must have checked that the
    /// container is not disposed.</summary>
    public object? Ready => Volatile.Read(ref _ready);

    /// <summary>
    /// Creates it with all it needs in one go, as code written by hand would; null as long as there is none. Only while nobody observes the
    /// container.
    /// </summary>
    public PlanCode? Code
    {
        get => _code;
        set => _code = value;
    }

    /// <summary>Whether code was made from it that the compiler did not take; then none is created any more.</summary>
    public bool IsCodeRefused { get; set; }

    /// <summary>Says that the one instance is there. How it was created, and what of, nobody asks any more.</summary>
    public void BeReady(object instance)
    {
        Volatile.Write(ref _ready, instance);
        _recipe = Released;
        _arguments = [];
    }

    public bool IsShared => Slot != NoSlot;

    /// <summary>Whether a constructor or a factory of the user's is called here.</summary>
    public bool CallsUserCode { get; init; }

    /// <summary>Whether there is more to do than to ask the recipe.</summary>
    public bool NeedsFrame => CallsUserCode || Arguments.Length > 0;

    /// <summary>Gets the instance: the one that is there, or one by code, or else step by step.</summary>
    /// <param name="requested">The container or scope that is asked.</param>
    /// <param name="consumer">The class that asks, through a wrapper that it holds; null from outside.</param>
    public object Get(Resolver requested, Type? consumer = null) =>
        Ready ?? TryRunCode(requested) ?? Construction.Run(this, requested, consumer);

    /// <summary>Creates it by <see cref="Code"/>, where there is some.</summary>
    /// <param name="requested">The container or scope that is asked.</param>
    /// <param name="around">What it is created for step by step; null if it is the resolved service.</param>
    /// <returns>The instance; null if it must be created step by step.</returns>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public object? TryRunCode(Resolver requested, Construction? around = null) =>
        _code is { } code && !requested.Root.IsObserved ? code(requested, around) : null;

    /// <summary>Counts a making step by step.</summary>
    /// <returns>How often it was done.</returns>
    public int CountRun() => Interlocked.Increment(ref _runs);

    /// <summary>What messages call an argument: the parameter that it is for, or its place in a list.</summary>
    public string NameOf(int argument) => Node is null ? $"[{argument}]" : Node.Parameters[argument].Name;
}
