using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using System.Reflection.Emit;

namespace Junctivor.Runtime;

/// <summary>Writes how a method reads the slots of a scope, claims those that are empty in one step, and fills them.</summary>
/// <param name="emitter">The method.</param>
/// <param name="locals">The variables that hold what has been read.</param>
/// <param name="fetch">Writes how plans are fetched that may be there.</param>
/// <param name="construct">Writes how a plan is constructed.</param>
[RequiresDynamicCode("It writes a method at run time.")]
internal sealed class SlotWriter(
    CodeEmitter emitter, Dictionary<Plan, LocalBuilder> locals, Action<IEnumerable<Plan>> fetch, Action<Plan> construct)
{
    private static readonly FieldInfo SlotsField = typeof(ScopeOf<ScopeSizes.Of1>).GetField(nameof(ScopeOf<ScopeSizes.Of1>.Own))!;

    private readonly ILGenerator _code = emitter.Code;

    /// <summary>Puts what lies in the slots into variables, and sees to it that something lies there.</summary>
    public void Write(CodeNeeds dependencies)
    {
        Label isThere = _code.DefineLabel();
        Label isMissing = _code.DefineLabel();
        foreach (Plan plan in dependencies.Scoped)
        {
            locals[plan] = _code.DeclareLocal(typeof(object));
        }

        foreach (Plan plan in dependencies.Taken)
        {
            Read(plan);
            _code.Emit(OpCodes.Ldloc, locals[plan]);
            _code.Emit(OpCodes.Brfalse, dependencies.CanCreateScoped ? isMissing : emitter.GiveUp);
        }

        if (dependencies.CanCreateScoped)
        {
            _code.Emit(OpCodes.Br, isThere);
            _code.MarkLabel(isMissing);
            fetch(dependencies.FetchedToCreate);
            ClaimAndFill(dependencies);
            _code.MarkLabel(isThere);
        }
    }

    /// <summary>Claims all slots in one step, the first in a scope at once, later ones beside those that are claimed already; and fills
    /// them.</summary>
    private void ClaimAndFill(CodeNeeds dependencies)
    {
        long slots = 0;
        long order = 0;
        foreach (Plan plan in dependencies.Scoped)
        {
            slots |= ScopeWord.Claimed(plan.Slot);
            order = plan.IsOwned ? ScopeWord.Append(order, plan.Slot) : order;
        }

        Label isNotFirst = _code.DefineLabel();
        Label isMade = _code.DefineLabel();
        _code.Emit(OpCodes.Ldarg_1);
        _code.Emit(OpCodes.Ldflda, CodeCalls.GuardField);
        _code.Emit(OpCodes.Ldflda, CodeCalls.WordField);
        _code.Emit(OpCodes.Ldc_I8, ScopeWord.With(0, slots, order));
        _code.Emit(OpCodes.Ldc_I8, 0L);
        _code.Emit(OpCodes.Call, CodeCalls.Exchanging);
        _code.Emit(OpCodes.Brtrue, isNotFirst);
        FillOrGiveBack(slots, dependencies.Scoped, Fill);
        _code.Emit(OpCodes.Br, isMade);
        _code.MarkLabel(isNotFirst);
        _code.Emit(OpCodes.Ldarg_1);
        _code.Emit(OpCodes.Ldc_I8, slots);
        _code.Emit(OpCodes.Ldc_I8, order);
        _code.Emit(OpCodes.Call, CodeCalls.Claiming);
        _code.Emit(OpCodes.Brfalse, emitter.GiveUp);
        FillOrGiveBack(slots, dependencies.Scoped, FillIfEmpty);
        _code.MarkLabel(isMade);
    }

    /// <summary>Fills claimed slots. What throws gives those back that are empty then.</summary>
    private void FillOrGiveBack(long slots, List<Plan> scoped, Action<Plan> make)
    {
        _code.BeginExceptionBlock();
        scoped.ForEach(make);
        _code.BeginCatchBlock(typeof(object));
        _code.Emit(OpCodes.Pop);
        _code.Emit(OpCodes.Ldarg_1);
        _code.Emit(OpCodes.Ldc_I8, slots);
        _code.Emit(OpCodes.Call, CodeCalls.GivingBack);
        _code.Emit(OpCodes.Rethrow);
        _code.EndExceptionBlock();
    }

    private void FillIfEmpty(Plan plan)
    {
        Label isThere = _code.DefineLabel();
        Read(plan);
        _code.Emit(OpCodes.Ldloc, locals[plan]);
        _code.Emit(OpCodes.Brtrue, isThere);
        Fill(plan);
        _code.MarkLabel(isThere);
    }

    private void Fill(Plan plan)
    {
        construct(plan);
        _code.Emit(OpCodes.Stloc, locals[plan]);
        Slot(plan);
        _code.Emit(OpCodes.Ldloc, locals[plan]);
        _code.Emit(OpCodes.Stind_Ref);
    }

    private void Read(Plan plan)
    {
        Slot(plan);
        _code.Emit(OpCodes.Volatile);
        _code.Emit(OpCodes.Ldind_Ref);
        _code.Emit(OpCodes.Stloc, locals[plan]);
    }

    /// <summary>The address of a slot.</summary>
    private void Slot(Plan plan)
    {
        _code.Emit(OpCodes.Ldarg_1);
        _code.Emit(OpCodes.Ldflda, SlotsField);
        _code.Emit(OpCodes.Ldc_I4, plan.Slot * IntPtr.Size);
        _code.Emit(OpCodes.Add);
    }
}
