using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using System.Runtime.CompilerServices;

namespace Junctivor.Runtime;

/// <summary>What the code that is made from plans calls.</summary>
internal static class CodeCalls
{
    public const BindingFlags Hidden = BindingFlags.Instance | BindingFlags.NonPublic;

    public static readonly MethodInfo Measuring = Getter(typeof(Telemetry.Measuring), nameof(Telemetry.Measuring.Instruments));

    /// <summary>The instruments that are told of constructions.</summary>
    public static readonly MethodInfo[] MeasuringConstructions =
    [
        Getter(typeof(Telemetry.Instruments), nameof(Telemetry.Instruments.Constructions)),
        Getter(typeof(Telemetry.Instruments), nameof(Telemetry.Instruments.ConstructionTime)),
    ];

    public static readonly MethodInfo BeingEnabled =
        Getter(typeof(System.Diagnostics.Metrics.Instrument), nameof(System.Diagnostics.Metrics.Instrument.Enabled));

    public static readonly MethodInfo Fetching = Of(nameof(Fetch));

    public static readonly MethodInfo GettingWrapper = Of(nameof(GetWrapper));

    public static readonly MethodInfo Filling = Of(nameof(Fill));

    public static readonly MethodInfo Owning = Of(nameof(Own));

    public static readonly FieldInfo GuardField = typeof(Resolver).GetField(nameof(Resolver.Guard), Hidden)!;

    public static readonly FieldInfo WordField = typeof(ScopeGuard).GetField(nameof(ScopeGuard.Word), Hidden)!;

    public static readonly MethodInfo Exchanging = typeof(Interlocked).GetMethod(
        nameof(Interlocked.CompareExchange), [typeof(long).MakeByRefType(), typeof(long), typeof(long)])!;

    public static readonly MethodInfo Nesting = Of(nameof(AroundPart));

    public static readonly MethodInfo CreatingStepByStep = Of(nameof(CreateStepByStep));

    public static readonly MethodInfo Claiming = Of(nameof(TryClaim));

    public static readonly MethodInfo GivingBack = Of(nameof(GiveBack));

    /// <summary>Returns what may be there.</summary>
    /// <returns>Null where it is not, or must be created step by step.</returns>
    public static object? Fetch(Resolver home, Plan plan) => plan.IsShared
        ? home.HomeOf(plan.Level)?.Find(plan.Slot)
        : plan.Recipe.Construct(new ResolutionContext(home, null, null, [], null), []);

    /// <summary>Returns a wrapper.</summary>
    /// <param name="home">Where its holder lives.</param>
    /// <param name="recipe">How it is created.</param>
    /// <param name="consumer">The class of its holder.</param>
    public static object? GetWrapper(Resolver home, Recipe recipe, Type? consumer) =>
        recipe.Construct(new ResolutionContext(home, consumer, null, [], null), []);

    /// <summary>Returns a dictionary.</summary>
    public static object? Fill(Resolver home, Recipe recipe, object?[] elements) =>
        recipe.Construct(new ResolutionContext(home, null, null, [], null), elements);

    /// <summary>Takes on something to dispose that is not shared.</summary>
    /// <exception cref="ObjectDisposedException">The container or scope is disposed meanwhile; the instance is disposed too.</exception>
    public static object Own(Resolver home, Construction? around, object instance)
    {
        if (around is not null)
        {
            around.Own(home, instance);
            return instance;
        }

        InstanceStore store = home.Store;
        store.TakeOver();
        OwnedInstance[] owned = [OwnedInstance.New(instance)];
        if (!store.Own(new OwnedSlice(owned)))
        {
            List<Exception>? failures = null;
            Disposal.DisposeUnused(owned, home, ref failures);
            throw DisposalFailures.AddTo(home.DisposedException(), failures);
        }

        return instance;
    }

    /// <summary>What a part is created for.</summary>
    public static Construction AroundPart(Construction? around) => around ?? Construction.None;

    /// <summary>Creates what cannot be created in one go now. Not inlined: the code that it is called from would save registers for it at
    /// each call.</summary>
    [MethodImpl(MethodImplOptions.NoInlining)]
    public static object CreateStepByStep(Resolver home, Plan plan) => Construction.Run(plan, home);

    /// <summary>Claims slots of a scope: what uses slots is only called for one.</summary>
    public static bool TryClaim(Resolver home, long slots, long order) => home.Guard.TryClaim(Unsafe.As<Scope>(home), slots, order);

    /// <summary>Returns the claimed slots back that have not been filled, as something threw: whoever wants them tries anew.</summary>
    public static void GiveBack(Resolver home, long slots) => home.Guard.GiveBack(Unsafe.As<Scope>(home), slots);

    private static MethodInfo Getter(
        [DynamicallyAccessedMembers(DynamicallyAccessedMemberTypes.PublicProperties)] Type type, string property) =>
        type.GetProperty(property)!.GetMethod!;

    private static MethodInfo Of(string name) => typeof(CodeCalls).GetMethod(name)!;
}
