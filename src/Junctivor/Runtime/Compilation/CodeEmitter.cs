using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using System.Reflection.Emit;
using System.Runtime.CompilerServices;

namespace Junctivor.Runtime;

/// <summary>A method that is being written, with the objects that it holds.</summary>
[RequiresDynamicCode("It writes a method at run time.")]
internal sealed class CodeEmitter
{
    private static readonly FieldInfo OthersField = typeof(CodeConstants).GetField(nameof(CodeConstants.Others))!;

    private static readonly FieldInfo[] HeldFields =
    [
        FieldOf(nameof(CodeConstants.Field0)), FieldOf(nameof(CodeConstants.Field1)), FieldOf(nameof(CodeConstants.Field2)),
        FieldOf(nameof(CodeConstants.Field3)),
        FieldOf(nameof(CodeConstants.Field4)), FieldOf(nameof(CodeConstants.Field5)), FieldOf(nameof(CodeConstants.Field6)),
        FieldOf(nameof(CodeConstants.Field7)),
    ];

    private static readonly Type[] Parameters = [typeof(CodeConstants), typeof(Resolver), typeof(Construction)];

    private readonly DynamicMethod _method;
    private readonly List<object> _held = [];
    private readonly Dictionary<object, int> _places = new(ReferenceEqualityComparer.Instance);

    public CodeEmitter(string name)
    {
        _method = new DynamicMethod(name, typeof(object), Parameters, typeof(CodeEmitter).Module, skipVisibility: true);
        Code = _method.GetILGenerator();
        GiveUp = Code.DefineLabel();
    }

    public ILGenerator Code { get; }

    /// <summary>Where the method goes when it cannot create the object without an interruption. The stack must be empty.</summary>
    public Label GiveUp { get; }

    /// <returns>The method, compiled: whoever calls it first need not wait for that.</returns>
    /// <exception cref="InvalidProgramException">The compiler does not take it.</exception>
    public PlanCode Compile()
    {
        CodeConstants held = new(_held);
        RuntimeHelpers.PrepareDelegate(_method.CreateDelegate<PlanCode>(held));

        // One that is created after compilation leads right to the code, and not by way of what compiles it at the first call.
        return _method.CreateDelegate<PlanCode>(held);
    }

    public void Constant(object? value, Type wanted)
    {
        if (value is not null)
        {
            Hold(value);
            Unwrap(wanted);
        }
        else if (wanted.IsValueType)
        {
            LocalBuilder nothing = Code.DeclareLocal(wanted);
            Code.Emit(OpCodes.Ldloca, nothing);
            Code.Emit(OpCodes.Initobj, wanted);
            Code.Emit(OpCodes.Ldloc, nothing);
        }
        else
        {
            Code.Emit(OpCodes.Ldnull);
        }
    }

    /// <summary>What is on the stack as an object becomes the value that is wanted. For a class nothing is asked: the plan gives what
    /// fits.</summary>
    public void Unwrap(Type wanted)
    {
        if (wanted.IsValueType)
        {
            Code.Emit(OpCodes.Unbox_Any, wanted);
        }
    }

    /// <summary>Puts an object on the stack that the code holds.</summary>
    public void Hold(object held)
    {
        if (!_places.TryGetValue(held, out int place))
        {
            _places.Add(held, place = _held.Count);
            _held.Add(held);
        }

        Code.Emit(OpCodes.Ldarg_0);
        if (place < CodeConstants.Fields)
        {
            Code.Emit(OpCodes.Ldfld, HeldFields[place]);
            return;
        }

        Code.Emit(OpCodes.Ldfld, OthersField);
        Code.Emit(OpCodes.Ldc_I4, place - CodeConstants.Fields);
        Code.Emit(OpCodes.Ldelem_Ref);
    }

    private static FieldInfo FieldOf(string name) => typeof(CodeConstants).GetField(name)!;
}
