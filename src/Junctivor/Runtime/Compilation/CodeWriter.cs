using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using System.Reflection.Emit;
using System.Runtime.CompilerServices;

namespace Junctivor.Runtime;

/// <summary>
/// Writes the method that makes one plan. It first looks at what must be there: values, and the slots of the scope. Where all of it is, it does
/// nothing but call constructors. Where slots are empty, it claims all of them in one step, fills them, and goes on; should one of these
/// constructors throw all the same, it gives the claim back. Where anything else is amiss it gives null, and has made nothing that anybody
/// could see. Parts that have methods of their own are called before anything lies on the stack, as a branch has to leave that empty.
/// </summary>
[RequiresDynamicCode("It writes a method at run time.")]
internal sealed class CodeWriter
{
    private static readonly FieldInfo SlotsField = typeof(ScopeOf<ScopeSizes.Of1>).GetField(nameof(ScopeOf<ScopeSizes.Of1>.Own))!;
    private static readonly FieldInfo OthersField = typeof(CodeConstants).GetField(nameof(CodeConstants.Others))!;

    private static readonly FieldInfo[] HeldFields =
    [
        FieldOf(nameof(CodeConstants.Field0)), FieldOf(nameof(CodeConstants.Field1)), FieldOf(nameof(CodeConstants.Field2)), FieldOf(nameof(CodeConstants.Field3)),
        FieldOf(nameof(CodeConstants.Field4)), FieldOf(nameof(CodeConstants.Field5)), FieldOf(nameof(CodeConstants.Field6)), FieldOf(nameof(CodeConstants.Field7)),
    ];

    private static readonly Type[] Parameters = [typeof(CodeConstants), typeof(Resolver), typeof(Construction)];

    private readonly Plan _root;
    private readonly CodeParts _parts;
    private readonly DynamicMethod _method;
    private readonly ILGenerator _code;
    private readonly Label _giveUp;
    private readonly List<object> _held = [];
    private readonly Dictionary<object, int> _places = new(ReferenceEqualityComparer.Instance);
    private readonly Dictionary<Plan, LocalBuilder> _locals = [];
    private readonly Queue<LocalBuilder> _called = [];
    private readonly Stack<Type?> _consumers = [];

    public CodeWriter(Plan root, CodeParts parts)
    {
        _root = root;
        _parts = parts;
        _method = new DynamicMethod($"make {root.Class?.Name}", typeof(object), Parameters, typeof(CodeWriter).Module, skipVisibility: true);
        _code = _method.GetILGenerator();
        _giveUp = _code.DefineLabel();
    }

    /// <returns>The code, compiled: whoever calls it first need not wait for that.</returns>
    /// <exception cref="InvalidProgramException">The compiler does not take it.</exception>
    public PlanCode Write()
    {
        CodeNeeds needs = new(_root, _parts);
        GiveUpUnless(needs.Scoped.Select(plan => plan.Slot + 1).DefaultIfEmpty(ResolverState.NoSlots).Max());
        Fetch(needs.Fetched);
        if (needs.Scoped.Count > 0)
        {
            WriteScoped(needs);
        }

        CallPartsOf(_root);
        Put(_root, typeof(object));
        _code.Emit(OpCodes.Ret);
        GiveUp();
        CodeConstants held = new(_held);
        RuntimeHelpers.PrepareDelegate(_method.CreateDelegate<PlanCode>(held));

        // One that is made of compiled code leads right to it, and not by way of what compiles it at the first call.
        return _method.CreateDelegate<PlanCode>(held);
    }

    /// <summary>Gives up where the scope has too few slots, or somebody counts what is constructed.</summary>
    private void GiveUpUnless(int slots)
    {
        if (slots > ResolverState.NoSlots)
        {
            _code.Emit(OpCodes.Ldarg_1);
            _code.Emit(OpCodes.Call, typeof(Resolver).GetProperty(nameof(Resolver.Slots), CodeCalls.Hidden)!.GetMethod!);
            _code.Emit(OpCodes.Ldc_I4, slots);
            _code.Emit(OpCodes.Blt, _giveUp);
        }

        _code.Emit(OpCodes.Call, CodeCalls.Measuring);
        _code.Emit(OpCodes.Brtrue, _giveUp);
    }

    private void GiveUp()
    {
        Label isPart = _code.DefineLabel();
        _code.MarkLabel(_giveUp);
        _code.Emit(OpCodes.Ldarg_2);
        _code.Emit(OpCodes.Brtrue, isPart);
        _code.Emit(OpCodes.Ldarg_1);
        Hold(_root);
        _code.Emit(OpCodes.Call, CodeCalls.Making);
        _code.Emit(OpCodes.Ret);
        _code.MarkLabel(isPart);
        _code.Emit(OpCodes.Ldnull);
        _code.Emit(OpCodes.Ret);
    }

    /// <summary>Puts what may be there into variables, or gives up.</summary>
    private void Fetch(IEnumerable<Plan> plans)
    {
        foreach (Plan plan in plans)
        {
            LocalBuilder local = _locals[plan] = _code.DeclareLocal(typeof(object));
            _code.Emit(OpCodes.Ldarg_1);
            Hold(plan);
            _code.Emit(OpCodes.Call, CodeCalls.Fetching);
            _code.Emit(OpCodes.Dup);
            _code.Emit(OpCodes.Stloc, local);
            _code.Emit(OpCodes.Brfalse, _giveUp);
        }
    }

    /// <summary>Puts what lies in the slots into variables, and sees to it that something lies there.</summary>
    private void WriteScoped(CodeNeeds needs)
    {
        Label isThere = _code.DefineLabel();
        Label isMissing = _code.DefineLabel();
        foreach (Plan plan in needs.Scoped)
        {
            _locals[plan] = _code.DeclareLocal(typeof(object));
        }

        foreach (Plan plan in needs.Taken)
        {
            Read(plan);
            _code.Emit(OpCodes.Ldloc, _locals[plan]);
            _code.Emit(OpCodes.Brfalse, needs.CanMake ? isMissing : _giveUp);
        }

        if (needs.CanMake)
        {
            _code.Emit(OpCodes.Br, isThere);
            _code.MarkLabel(isMissing);
            Fetch(needs.FetchedToMake);
            ClaimAndMake(needs);
            _code.MarkLabel(isThere);
        }
    }

    /// <summary>Claims all slots in one step, the first in a scope at once, later ones beside those that are claimed already; and fills them.</summary>
    private void ClaimAndMake(CodeNeeds needs)
    {
        long slots = 0;
        long order = 0;
        foreach (Plan plan in needs.Scoped)
        {
            slots |= ScopeWord.Claimed(plan.Slot);
            order = plan.IsOwned ? ScopeWord.Append(order, plan.Slot) : order;
        }

        Label isNotFirst = _code.DefineLabel();
        Label isMade = _code.DefineLabel();
        _code.Emit(OpCodes.Ldarg_1);
        _code.Emit(OpCodes.Ldflda, CodeCalls.WordField);
        _code.Emit(OpCodes.Ldc_I8, ScopeWord.With(0, slots, order));
        _code.Emit(OpCodes.Ldc_I8, 0L);
        _code.Emit(OpCodes.Call, CodeCalls.Exchanging);
        _code.Emit(OpCodes.Brtrue, isNotFirst);
        MakeOrGiveBack(slots, needs.Scoped, Make);
        _code.Emit(OpCodes.Br, isMade);
        _code.MarkLabel(isNotFirst);
        _code.Emit(OpCodes.Ldarg_1);
        _code.Emit(OpCodes.Ldc_I8, slots);
        _code.Emit(OpCodes.Ldc_I8, order);
        _code.Emit(OpCodes.Call, CodeCalls.Claiming);
        _code.Emit(OpCodes.Brfalse, _giveUp);
        MakeOrGiveBack(slots, needs.Scoped, MakeIfMissing);
        _code.MarkLabel(isMade);
    }

    /// <summary>Fills claimed slots. What throws gives those back that are empty then.</summary>
    private void MakeOrGiveBack(long slots, List<Plan> scoped, Action<Plan> make)
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

    private void MakeIfMissing(Plan plan)
    {
        Label isThere = _code.DefineLabel();
        Read(plan);
        _code.Emit(OpCodes.Ldloc, _locals[plan]);
        _code.Emit(OpCodes.Brtrue, isThere);
        Make(plan);
        _code.MarkLabel(isThere);
    }

    private void Make(Plan plan)
    {
        Construct(plan, typeof(object));
        _code.Emit(OpCodes.Stloc, _locals[plan]);
        Slot(plan);
        _code.Emit(OpCodes.Ldloc, _locals[plan]);
        _code.Emit(OpCodes.Stind_Ref);
    }

    private void Read(Plan plan)
    {
        Slot(plan);
        _code.Emit(OpCodes.Volatile);
        _code.Emit(OpCodes.Ldind_Ref);
        _code.Emit(OpCodes.Stloc, _locals[plan]);
    }

    /// <summary>The address of a slot.</summary>
    private void Slot(Plan plan)
    {
        _code.Emit(OpCodes.Ldarg_1);
        _code.Emit(OpCodes.Ldflda, SlotsField);
        _code.Emit(OpCodes.Ldc_I4, plan.Slot * IntPtr.Size);
        _code.Emit(OpCodes.Add);
    }

    /// <summary>Puts what a plan gives on the stack, for something of a type.</summary>
    private void Put(Plan plan, Type wanted)
    {
        if (_locals.TryGetValue(plan, out LocalBuilder? local))
        {
            _code.Emit(OpCodes.Ldloc, local);
            Unwrap(wanted);
        }
        else if (IsCalled(plan))
        {
            _code.Emit(OpCodes.Ldloc, _called.Dequeue());
            Unwrap(wanted);
        }
        else
        {
            PutNew(plan, wanted);
        }
    }

    private void PutNew(Plan plan, Type wanted)
    {
        switch (CodeForms.Of(plan))
        {
            case CodeForm.Constant:
                Constant(((ConstantRecipe)plan.Recipe).Value, wanted);
                break;
            case CodeForm.Ready:
                Constant(CodeParts.ReadyOf(plan), wanted);
                break;
            case CodeForm.Asked:
                _code.Emit(OpCodes.Ldarg_1);
                Hold(plan.Recipe);
                Constant(_consumers.FirstOrDefault(consumer => consumer is not null), typeof(Type));
                _code.Emit(OpCodes.Call, CodeCalls.Asking);
                break;
            case CodeForm.List:
                List(plan, ((ListRecipe)plan.Recipe).Element);
                break;
            case CodeForm.Dictionary:
                _code.Emit(OpCodes.Ldarg_1);
                Hold(plan.Recipe);
                List(plan, typeof(object));
                _code.Emit(OpCodes.Call, CodeCalls.Filling);
                break;
            default:
                Construct(plan, wanted);
                break;
        }
    }

    /// <summary>Calls the parts that have methods of their own, in the order in which they will be put.</summary>
    private void CallPartsOf(Plan plan)
    {
        foreach (Plan inner in _locals.ContainsKey(plan) ? [] : _parts.Inside(plan))
        {
            if (IsCalled(inner))
            {
                _called.Enqueue(Call(inner));
            }
            else
            {
                CallPartsOf(inner);
            }
        }
    }

    private bool IsCalled(Plan plan) => plan != _root && _parts.IsCut(plan);

    /// <summary>Calls the method of a part, or gives up with it.</summary>
    private LocalBuilder Call(Plan plan)
    {
        LocalBuilder made = _code.DeclareLocal(typeof(object));
        Hold(plan.Code!);
        _code.Emit(OpCodes.Ldarg_1);
        _code.Emit(OpCodes.Ldarg_2);
        _code.Emit(OpCodes.Call, CodeCalls.Nesting);
        _code.Emit(OpCodes.Callvirt, typeof(PlanCode).GetMethod("Invoke")!);
        _code.Emit(OpCodes.Dup);
        _code.Emit(OpCodes.Stloc, made);
        _code.Emit(OpCodes.Brfalse, _giveUp);
        return made;
    }

    private void Construct(Plan plan, Type wanted)
    {
        _consumers.Push(plan.Class);
        PropertyFillingRecipe? filling = plan.Recipe as PropertyFillingRecipe;
        ConstructorInfo constructor = ((ConstructorRecipe)(filling?.Constructing ?? plan.Recipe)).Constructor;
        ParameterInfo[] parameters = constructor.GetParameters();
        foreach (ParameterInfo parameter in parameters)
        {
            Pass(plan.Arguments[parameter.Position], parameter.ParameterType);
        }

        _code.Emit(OpCodes.Newobj, constructor);
        for (int number = parameters.Length; number < plan.Arguments.Length; number++)
        {
            PropertyInfo property = filling!.Properties[number - parameters.Length];
            _code.Emit(OpCodes.Dup);
            Put(plan.Arguments[number], property.PropertyType);
            _code.Emit(OpCodes.Call, property.SetMethod!);
        }

        _consumers.Pop();
        if (constructor.DeclaringType!.IsValueType)
        {
            _code.Emit(OpCodes.Box, constructor.DeclaringType);
            Unwrap(wanted);
        }

        if (plan.IsOwned && !plan.IsShared)
        {
            Own();
        }
    }

    /// <summary>Puts an argument on the stack; for a parameter that is passed by reference, the address of a variable with it.</summary>
    private void Pass(Plan argument, Type type)
    {
        if (!type.IsByRef)
        {
            Put(argument, type);
            return;
        }

        LocalBuilder variable = _code.DeclareLocal(type.GetElementType()!);
        Put(argument, variable.LocalType);
        _code.Emit(OpCodes.Stloc, variable);
        _code.Emit(OpCodes.Ldloca, variable);
    }

    private void Own()
    {
        LocalBuilder made = _code.DeclareLocal(typeof(object));
        _code.Emit(OpCodes.Stloc, made);
        _code.Emit(OpCodes.Ldarg_1);
        _code.Emit(OpCodes.Ldarg_2);
        _code.Emit(OpCodes.Ldloc, made);
        _code.Emit(OpCodes.Call, CodeCalls.Owning);
    }

    /// <summary>A fresh array. It is filled without asking whether the elements fit, as they do.</summary>
    private void List(Plan plan, Type element)
    {
        _code.Emit(OpCodes.Ldc_I4, plan.Arguments.Length);
        _code.Emit(OpCodes.Newarr, element);
        for (int number = 0; number < plan.Arguments.Length; number++)
        {
            _code.Emit(OpCodes.Dup);
            _code.Emit(OpCodes.Ldc_I4, number);
            _code.Emit(OpCodes.Readonly);
            _code.Emit(OpCodes.Ldelema, element);
            Put(plan.Arguments[number], element);
            _code.Emit(OpCodes.Stobj, element);
        }
    }

    private void Constant(object? value, Type wanted)
    {
        if (value is not null)
        {
            Hold(value);
            Unwrap(wanted);
        }
        else if (wanted.IsValueType)
        {
            LocalBuilder nothing = _code.DeclareLocal(wanted);
            _code.Emit(OpCodes.Ldloca, nothing);
            _code.Emit(OpCodes.Initobj, wanted);
            _code.Emit(OpCodes.Ldloc, nothing);
        }
        else
        {
            _code.Emit(OpCodes.Ldnull);
        }
    }

    /// <summary>What is on the stack as an object becomes the value that is wanted. For a class nothing is asked: the plan gives what fits.</summary>
    private void Unwrap(Type wanted)
    {
        if (wanted.IsValueType)
        {
            _code.Emit(OpCodes.Unbox_Any, wanted);
        }
    }

    private static FieldInfo FieldOf(string name) => typeof(CodeConstants).GetField(name)!;

    /// <summary>Puts an object on the stack that the code holds.</summary>
    private void Hold(object held)
    {
        if (!_places.TryGetValue(held, out int place))
        {
            _places.Add(held, place = _held.Count);
            _held.Add(held);
        }

        _code.Emit(OpCodes.Ldarg_0);
        if (place < CodeConstants.Fields)
        {
            _code.Emit(OpCodes.Ldfld, HeldFields[place]);
            return;
        }

        _code.Emit(OpCodes.Ldfld, OthersField);
        _code.Emit(OpCodes.Ldc_I4, place - CodeConstants.Fields);
        _code.Emit(OpCodes.Ldelem_Ref);
    }
}
