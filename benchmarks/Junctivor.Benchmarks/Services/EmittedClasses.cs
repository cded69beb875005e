using System.Reflection;
using System.Reflection.Emit;
using System.Runtime.Loader;

namespace Junctivor.Benchmarks.Services;

/// <summary>Classes by the thousand, in an assembly of their own each time, so that nobody has read anything of them before.</summary>
public static class EmittedClasses
{
    /// <summary>How many classes of a chain one method constructs by hand: in longer ones the just-in-time compiler does worse.</summary>
    private const int LargestMethod = 100;

    /// <summary>Each class takes the next ones.</summary>
    /// <param name="count">How many classes.</param>
    /// <param name="needs">How many each takes; the last ones take fewer.</param>
    public static IReadOnlyList<Type> Emit(int count, int needs)
    {
        (Assembly loaded, TypeBuilder[] builders) = Load(count, needs, (_, _) => { });
        return [.. builders.Select(builder => loaded.GetType(builder.Name, throwOnError: true)!)];
    }

    /// <summary>A chain of classes, and a function that constructs it as somebody would by hand.</summary>
    public static (IReadOnlyList<Type> Classes, Func<object> ByHand) EmitChain(int count)
    {
        (Assembly loaded, TypeBuilder[] builders) = Load(count, 1, EmitByHand);
        Func<object> byHand = loaded.GetType("ByHand", throwOnError: true)!.GetMethod("Make0")!.CreateDelegate<Func<object>>();
        return ([.. builders.Select(builder => loaded.GetType(builder.Name, throwOnError: true)!)], byHand);
    }

    private static (Assembly Loaded, TypeBuilder[] Builders) Load(int count, int needs, Action<ModuleBuilder, ConstructorBuilder[]> more)
    {
        PersistedAssemblyBuilder assembly = new(new AssemblyName("Emitted"), typeof(object).Assembly);
        ModuleBuilder module = assembly.DefineDynamicModule("Emitted");
        TypeBuilder[] builders = [.. Enumerable.Range(0, count)
            .Select(number => module.DefineType($"Link{number}", TypeAttributes.Public | TypeAttributes.Sealed))];
        more(module,
            [.. builders.Select(
                (builder, number) => EmitConstructor(builder, builders[(number + 1)..Math.Min(count, number + 1 + needs)]))]);
        foreach (TypeBuilder builder in builders)
        {
            builder.CreateType();
        }

        using MemoryStream image = new();
        assembly.Save(image);
        image.Position = 0;
        return (new AssemblyLoadContext("Emitted", isCollectible: false).LoadFromStream(image), builders);
    }

    private static ConstructorBuilder EmitConstructor(TypeBuilder builder, Type[] parameters)
    {
        ConstructorBuilder constructor = builder.DefineConstructor(MethodAttributes.Public, CallingConventions.HasThis, parameters);
        ILGenerator code = constructor.GetILGenerator();
        for (int number = 1; number <= parameters.Length; number++)
        {
            constructor.DefineParameter(number, ParameterAttributes.None, $"next{number}");
            code.Emit(OpCodes.Ldarg_0);
            code.Emit(OpCodes.Ldarg, (short)number);
            code.Emit(OpCodes.Stfld, builder.DefineField($"_next{number}", parameters[number - 1], FieldAttributes.Private));
        }

        code.Emit(OpCodes.Ldarg_0);
        code.Emit(OpCodes.Call, typeof(object).GetConstructor([])!);
        code.Emit(OpCodes.Ret);
        return constructor;
    }

    private static void EmitByHand(ModuleBuilder module, ConstructorBuilder[] constructors)
    {
        TypeBuilder byHand = module.DefineType("ByHand", TypeAttributes.Public);
        MethodBuilder? inner = null;
        for (int first = (constructors.Length - 1) / LargestMethod * LargestMethod; first >= 0; first -= LargestMethod)
        {
            MethodBuilder method =
                byHand.DefineMethod($"Make{first}", MethodAttributes.Public | MethodAttributes.Static, typeof(object), []);

            // Compiled as well as it will be at its first call: it takes long, and the first measurements must not meet it on the way.
            method.SetImplementationFlags(MethodImplAttributes.IL | MethodImplAttributes.AggressiveOptimization);
            ILGenerator code = method.GetILGenerator();
            if (inner is not null)
            {
                code.Emit(OpCodes.Call, inner);
            }

            for (int number = Math.Min(constructors.Length, first + LargestMethod) - 1; number >= first; number--)
            {
                code.Emit(OpCodes.Newobj, constructors[number]);
            }

            code.Emit(OpCodes.Ret);
            inner = method;
        }

        byHand.CreateType();
    }
}
