using System.Reflection;
using System.Reflection.Emit;
using System.Runtime.Loader;

namespace Junctivor.Tests;

/// <summary>Classes by the thousand, each of which takes the next one.</summary>
internal static class EmittedClasses
{
    private const int MostNeeds = 16;

    /// <summary>The first takes the second, and so on; the last takes nothing.</summary>
    public static IReadOnlyList<Type> Chain(int length) => Emit(length, needs: 1, isClosed: false);

    /// <summary>Each is taken by one of those before it, and some of them as a list of one; none takes more than a few.</summary>
    public static IReadOnlyList<Type> Tree(int size, Random random) => Emit(size, builders =>
    {
        List<Type>[] parameters = [.. Enumerable.Range(0, size).Select(_ => new List<Type>())];
        for (int number = 1; number < size; number++)
        {
            List<Type> taker;
            do
            {
                taker = parameters[random.Next(number)];
            }
            while (taker.Count >= MostNeeds);

            taker.Add(random.Next(10) == 0 ? typeof(IReadOnlyList<>).MakeGenericType(builders[number]) : builders[number]);
        }

        return parameters;
    });

    /// <summary>Each takes the next ones; the last take fewer.</summary>
    public static IReadOnlyList<Type> Net(int length, int needs) => Emit(length, needs, isClosed: false);

    /// <summary>The last takes the first.</summary>
    public static IReadOnlyList<Type> Ring(int length) => Emit(length, needs: 1, isClosed: true);

    private static Type[] Emit(int length, int needs, bool isClosed) => Emit(length, builders =>
    [
        .. Enumerable.Range(1, length)
            .Select(next => isClosed && next == length ? [builders[0]] : builders[next..Math.Min(length, next + needs)].ToList<Type>()),
    ]);

    private static Type[] Emit(int length, Func<TypeBuilder[], List<Type>[]> parametersOf)
    {
        PersistedAssemblyBuilder assembly = new(new AssemblyName("Emitted"), typeof(object).Assembly);
        ModuleBuilder module = assembly.DefineDynamicModule("Emitted");
        TypeBuilder[] builders = [.. Enumerable.Range(0, length)
            .Select(number => module.DefineType($"Link{number}", TypeAttributes.Public))];
        List<Type>[] parameters = parametersOf(builders);
        for (int number = 0; number < length; number++)
        {
            EmitConstructor(builders[number], [.. parameters[number]]);
            builders[number].CreateType();
        }

        using MemoryStream image = new();
        assembly.Save(image);
        image.Position = 0;
        Assembly loaded = new AssemblyLoadContext("Emitted", isCollectible: true).LoadFromStream(image);
        return [.. builders.Select(builder => loaded.GetType(builder.Name, throwOnError: true)!)];
    }

    private static void EmitConstructor(TypeBuilder builder, Type[] parameters)
    {
        ConstructorBuilder constructor = builder.DefineConstructor(MethodAttributes.Public, CallingConventions.HasThis, parameters);
        for (int number = 1; number <= parameters.Length; number++)
        {
            constructor.DefineParameter(number, ParameterAttributes.None, parameters.Length == 1 ? "next" : $"next{number}");
        }

        ILGenerator code = constructor.GetILGenerator();
        code.Emit(OpCodes.Ldarg_0);
        code.Emit(OpCodes.Call, typeof(object).GetConstructor([])!);
        for (int number = 1; number <= parameters.Length; number++)
        {
            FieldBuilder field = builder.DefineField(number == 1 ? "Next" : $"Next{number}", typeof(object), FieldAttributes.Public);
            code.Emit(OpCodes.Ldarg_0);
            code.Emit(OpCodes.Ldarg, number);
            code.Emit(OpCodes.Stfld, field);
        }

        code.Emit(OpCodes.Ret);
    }
}
