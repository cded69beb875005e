using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using System.Reflection.Emit;
using System.Runtime.CompilerServices;

namespace Junctivor.Runtime;

/// <summary>Creates a function of a constructor, which calls it as code written by hand would.</summary>
[RequiresDynamicCode("It writes a method at run time.")]
internal static class ConstructorCompiler
{
    /// <summary>Whether it can: an argument that reflection would have to convert is left to reflection.</summary>
    public static bool CanCompile(ConstructorInfo constructor) => Array.TrueForAll(
        constructor.GetParameters(),
        parameter => parameter.ParameterType is { IsByRefLike: false, IsPointer: false, IsByRef: false } type
            && (!type.IsValueType || !parameter.HasDefaultValue));

    public static Func<object?[], object> Compile(ConstructorInfo constructor)
    {
        Type created = constructor.DeclaringType!;
        DynamicMethod method = new($"new {created.Name}", typeof(object), [typeof(object?[])], created.Module, skipVisibility: true);
        ILGenerator code = method.GetILGenerator();
        foreach (ParameterInfo parameter in constructor.GetParameters())
        {
            code.Emit(OpCodes.Ldarg_0);
            code.Emit(OpCodes.Ldc_I4, parameter.Position);
            code.Emit(OpCodes.Ldelem_Ref);
            Unwrap(code, parameter.ParameterType);
        }

        code.Emit(OpCodes.Newobj, constructor);
        if (created.IsValueType)
        {
            code.Emit(OpCodes.Box, created);
        }

        code.Emit(OpCodes.Ret);
        RuntimeHelpers.PrepareDelegate(method.CreateDelegate<Func<object?[], object>>());

        // One that is made from compiled code leads right to it.
        return method.CreateDelegate<Func<object?[], object>>();
    }

    /// <summary>From object to the type of the parameter; nothing becomes the default of a value type, as it does by reflection.</summary>
    private static void Unwrap(ILGenerator code, Type type)
    {
        if (!type.IsValueType || Nullable.GetUnderlyingType(type) is not null)
        {
            code.Emit(OpCodes.Unbox_Any, type);
            return;
        }

        Label isThere = code.DefineLabel();
        Label end = code.DefineLabel();
        LocalBuilder nothing = code.DeclareLocal(type);
        code.Emit(OpCodes.Dup);
        code.Emit(OpCodes.Brtrue, isThere);
        code.Emit(OpCodes.Pop);
        code.Emit(OpCodes.Ldloca, nothing);
        code.Emit(OpCodes.Initobj, type);
        code.Emit(OpCodes.Ldloc, nothing);
        code.Emit(OpCodes.Br, end);
        code.MarkLabel(isThere);
        code.Emit(OpCodes.Unbox_Any, type);
        code.MarkLabel(end);
    }
}
