using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using System.Reflection.Emit;
using Junctivor.Telemetry;

namespace Junctivor.Runtime;

/// <summary>
/// Writes the method that creates one plan. It first looks at what must be there: values, and the slots of the scope. Where all of it is,
/// it does nothing but call constructors. Where slots are empty, it claims all of them in one step, fills them, and goes on; should one of
/// these constructors throw all the same, it gives the claim back. Where anything else is amiss it returns null, and has created nothing
/// that anybody could see. Parts that have methods of their own are called before anything lies on the stack, as a branch has to leave that
/// empty.
/// </summary>
[RequiresDynamicCode("It writes a method at run time.")]
internal sealed class CodeWriter
{
    private readonly Plan _root;
    private readonly CodeParts _parts;
    private readonly CodeEmitter _emitter;
    private readonly ILGenerator _code;
    private readonly Dictionary<Plan, LocalBuilder> _locals = [];
    private readonly Queue<LocalBuilder> _called = [];
    private readonly Stack<Type?> _consumers = [];

    public CodeWriter(Plan root, CodeParts parts)
    {
        _root = root;
        _parts = parts;
        _emitter = new CodeEmitter($"create {root.Class?.Name}");
        _code = _emitter.Code;
    }

    /// <returns>The code, compiled: whoever calls it first need not wait for that.</returns>
    /// <exception cref="InvalidProgramException">The compiler does not take it.</exception>
    public PlanCode Write()
    {
        CodeNeeds dependencies = new(_root, _parts);
        GiveUpUnless(dependencies.Scoped.Select(plan => plan.Slot + 1).DefaultIfEmpty(ResolverState.NoSlots).Max());
        Fetch(dependencies.Fetched);
        if (dependencies.Scoped.Count > 0)
        {
            new SlotWriter(_emitter, _locals, Fetch, plan => Construct(plan, typeof(object))).Write(dependencies);
        }

        CallPartsOf(_root);
        Put(_root, typeof(object));
        _code.Emit(OpCodes.Ret);
        GiveUp();
        return _emitter.Compile();
    }

    /// <summary>Leaves the compiled code if the scope has too few slots, or if an observer counts constructions.</summary>
    private void GiveUpUnless(int slots)
    {
        if (slots > ResolverState.NoSlots)
        {
            _code.Emit(OpCodes.Ldarg_1);
            _code.Emit(OpCodes.Call, typeof(Resolver).GetProperty(nameof(Resolver.Slots), CodeCalls.Hidden)!.GetMethod!);
            _code.Emit(OpCodes.Ldc_I4, slots);
            _code.Emit(OpCodes.Blt, _emitter.GiveUp);
        }

        GiveUpIfMeasured();
    }

    /// <summary>One branch for each instrument: a truth value of both would be put together first.</summary>
    private void GiveUpIfMeasured()
    {
        Label isUnmeasured = _code.DefineLabel();
        LocalBuilder instruments = _code.DeclareLocal(typeof(Instruments));
        _code.Emit(OpCodes.Call, CodeCalls.Measuring);
        _code.Emit(OpCodes.Stloc, instruments);
        _code.Emit(OpCodes.Ldloc, instruments);
        _code.Emit(OpCodes.Brfalse, isUnmeasured);
        foreach (MethodInfo instrument in CodeCalls.MeasuringConstructions)
        {
            _code.Emit(OpCodes.Ldloc, instruments);
            _code.Emit(OpCodes.Call, instrument);
            _code.Emit(OpCodes.Call, CodeCalls.BeingEnabled);
            _code.Emit(OpCodes.Brtrue, _emitter.GiveUp);
        }

        _code.MarkLabel(isUnmeasured);
    }

    private void GiveUp()
    {
        Label isPart = _code.DefineLabel();
        _code.MarkLabel(_emitter.GiveUp);
        _code.Emit(OpCodes.Ldarg_2);
        _code.Emit(OpCodes.Brtrue, isPart);
        _code.Emit(OpCodes.Ldarg_1);
        _emitter.Hold(_root);
        _code.Emit(OpCodes.Call, CodeCalls.CreatingStepByStep);
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
            _emitter.Hold(plan);
            _code.Emit(OpCodes.Call, CodeCalls.Fetching);
            _code.Emit(OpCodes.Dup);
            _code.Emit(OpCodes.Stloc, local);
            _code.Emit(OpCodes.Brfalse, _emitter.GiveUp);
        }
    }

    /// <summary>Puts what a plan gives on the stack, for something of a type.</summary>
    private void Put(Plan plan, Type wanted)
    {
        if (_locals.TryGetValue(plan, out LocalBuilder? local))
        {
            _code.Emit(OpCodes.Ldloc, local);
            _emitter.Unwrap(wanted);
        }
        else if (IsCalled(plan))
        {
            _code.Emit(OpCodes.Ldloc, _called.Dequeue());
            _emitter.Unwrap(wanted);
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
                _emitter.Constant(((ConstantRecipe)plan.Recipe).Value, wanted);
                break;
            case CodeForm.Ready:
                _emitter.Constant(CodeParts.ReadyOf(plan), wanted);
                break;
            case CodeForm.Asked:
                _code.Emit(OpCodes.Ldarg_1);
                _emitter.Hold(plan.Recipe);
                _emitter.Constant(_consumers.FirstOrDefault(consumer => consumer is not null), typeof(Type));
                _code.Emit(OpCodes.Call, CodeCalls.GettingWrapper);
                break;
            case CodeForm.List:
                List(plan, ((ListRecipe)plan.Recipe).Element);
                break;
            case CodeForm.Dictionary:
                _code.Emit(OpCodes.Ldarg_1);
                _emitter.Hold(plan.Recipe);
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
        LocalBuilder created = _code.DeclareLocal(typeof(object));
        _emitter.Hold(plan.Code!);
        _code.Emit(OpCodes.Ldarg_1);
        _code.Emit(OpCodes.Ldarg_2);
        _code.Emit(OpCodes.Call, CodeCalls.Nesting);
        _code.Emit(OpCodes.Callvirt, typeof(PlanCode).GetMethod("Invoke")!);
        _code.Emit(OpCodes.Dup);
        _code.Emit(OpCodes.Stloc, created);
        _code.Emit(OpCodes.Brfalse, _emitter.GiveUp);
        return created;
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
            _emitter.Unwrap(wanted);
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
        LocalBuilder created = _code.DeclareLocal(typeof(object));
        _code.Emit(OpCodes.Stloc, created);
        _code.Emit(OpCodes.Ldarg_1);
        _code.Emit(OpCodes.Ldarg_2);
        _code.Emit(OpCodes.Ldloc, created);
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
}
