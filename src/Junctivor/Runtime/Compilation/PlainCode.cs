using System.Buffers.Binary;
using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using System.Reflection.Emit;

namespace Junctivor.Runtime;

/// <summary>
/// Finds out by reading its code whether a constructor or setter does nothing but keep what it is given: then it can neither throw, nor
/// take long, nor resolve anything, nor be seen by anybody. Most are so. Whatever is not known to be harmless is not plain.
/// </summary>
internal sealed class PlainCode
{
    private const string Whole = "What a method calls is kept as long as the method is; without its code it is not plain.";

    private static readonly OpCode?[] Short = new OpCode?[256];
    private static readonly OpCode?[] Long = new OpCode?[256];

    private readonly Dictionary<MethodBase, bool> _known = [];

    static PlainCode()
    {
        foreach (OpCode code in typeof(OpCodes).GetFields().Select(field => (OpCode)field.GetValue(null)!))
        {
            (code.Size == 1 ? Short : Long)[code.Value & 0xFF] = code;
        }
    }

    /// <summary>Whether it is plain; asked of classes of which one has been created already, so that their static constructors have
    /// run.</summary>
    [UnconditionalSuppressMessage("Trimming", "IL2026", Justification = Whole)]
    public bool IsPlain(MethodBase method)
    {
        if (!_known.TryGetValue(method, out bool isPlain))
        {
            _known[method] =
                isPlain = method.GetMethodBody() is { ExceptionHandlingClauses.Count: 0 } body && IsPlain(body.GetILAsByteArray(), method);
        }

        return isPlain;
    }

    /// <summary>Follows the code, which goes straight on, with what lies on its stack: of each value whether it is the object
    /// itself.</summary>
    private bool IsPlain(ReadOnlySpan<byte> code, MethodBase method)
    {
        Stack<bool> stack = [];
        while (code.Length > 0)
        {
            OpCode? read = code[0] == 0xFE ? Long[code[1]] : Short[code[0]];
            if (read is not { } instruction)
            {
                return false;
            }

            code = code[instruction.Size..];
            int token = instruction.OperandType is OperandType.InlineMethod or OperandType.InlineField
                ? BinaryPrimitives.ReadInt32LittleEndian(code) : 0;
            if (!Does(instruction, token, method, stack))
            {
                return false;
            }

            code = code[SizeOf(instruction.OperandType)..];
        }

        return true;
    }

    [UnconditionalSuppressMessage("Trimming", "IL2026", Justification = Whole)]
    private bool Does(OpCode instruction, int token, MethodBase method, Stack<bool> stack)
    {
        switch ((int)instruction.Value & 0xFFFF)
        {
            case 0x00: // nop
            case 0x2A: // ret
                return true;
            case 0x02: // ldarg.0
                stack.Push(!method.IsStatic);
                return true;
            case >= 0x03 and <= 0x05: // ldarg.1 to 3
            case 0x0E: // ldarg.s
            case 0xFE09: // ldarg
            case >= 0x14 and <= 0x23: // constants
            case 0x72: // ldstr
                stack.Push(false);
                return true;
            case >= 0x67 and <= 0x6E: // conv.i1 to conv.u8, which throw nothing
                return stack.Count > 0;
            case >= 0x46 and <= 0x50: // ldind, of a parameter that is passed by reference
            case 0x71: // ldobj
                return stack.Count > 0 && !stack.Peek();
            case 0x7D: // stfld
                return stack.Count == 2 && !stack.Pop() && stack.Pop();
            case 0x28: // call
                return Calls(method.Module.ResolveMethod(token, TypeArguments(method), null)!, stack);
            case 0x73: // newobj
                return Creates(method.Module.ResolveMethod(token, TypeArguments(method), null)!, stack);
            default:
                return false;
        }
    }

    /// <summary>The constructor of the base class or of this one, or what gives an empty array.</summary>
    private bool Calls(MethodBase called, Stack<bool> stack)
    {
        int arguments = called.GetParameters().Length;
        if (called is MethodInfo { Name: nameof(Array.Empty), IsStatic: true } && called.DeclaringType == typeof(Array))
        {
            stack.Push(false);
            return true;
        }

        if (!called.IsConstructor || stack.Count != arguments + 1 || !stack.Last())
        {
            return false;
        }

        stack.Clear();
        return called.DeclaringType == typeof(object) || IsPlain(called);
    }

    /// <summary>An empty collection, a lock, or the like of the base class library.</summary>
    private static bool Creates(MethodBase constructor, Stack<bool> stack)
    {
        stack.Push(false);
        return constructor.GetParameters().Length == 0
            && constructor.DeclaringType is { IsClass: true } created
            && (created == typeof(object)
                || created == typeof(Lock)
                || created.Namespace is "System.Collections.Generic" or "System.Collections.Concurrent")
            && IsOfBase(created);
    }

    private static bool IsOfBase(Type type) =>
        type.Assembly.GetName().Name is "System.Private.CoreLib" or "System.Collections" or "System.Collections.Concurrent";

    private static Type[]? TypeArguments(MethodBase method) =>
        method.DeclaringType is { IsConstructedGenericType: true } type ? type.GenericTypeArguments : null;

    private static int SizeOf(OperandType operand) => operand switch
    {
        OperandType.InlineNone => 0,
        OperandType.ShortInlineBrTarget or OperandType.ShortInlineI or OperandType.ShortInlineVar => 1,
        OperandType.InlineVar => 2,
        OperandType.InlineI8 or OperandType.InlineR => 8,
        _ => 4,
    };
}
