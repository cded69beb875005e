using System.Reflection;

namespace Junctivor.Cli.Loading;

/// <summary>Finds in an assembly what is marked <see cref="CheckedWiringAttribute"/>, and runs only that.</summary>
internal static class WiringFinder
{
    private const BindingFlags Everything =
        BindingFlags.Public | BindingFlags.NonPublic | BindingFlags.Static | BindingFlags.Instance | BindingFlags.DeclaredOnly;

    /// <exception cref="CannotCheckException">The file cannot be loaded, has no such wiring, or its wiring code throws.</exception>
    public static IReadOnlyList<FoundWiring> Find(FileInfo file, string? name)
    {
        Assembly assembly = AssemblyLoading.Load(file);
        List<(string Name, MemberInfo Member)> marked =
        [
            .. from type in TypesOf(assembly, file)
               from member in type.GetMembers(Everything)
               let mark = member.GetCustomAttribute<CheckedWiringAttribute>()
               where mark is not null
               let called = mark.Name.Length > 0 ? mark.Name : member.Name
               orderby called.ToUpperInvariant()
               select (called, member),
        ];
        if (marked.Count == 0)
        {
            throw new CannotCheckException(
                $"{file.Name} has no wiring to check: mark a public static property or method that gives a Wiring with [CheckedWiring].");
        }

        string known = string.Join(", ", marked.Select(each => each.Name));
        List<FoundWiring> found = [.. marked.Where(each => name is null || each.Name == name).Select(each => Read(each.Name, each.Member))];
        return found.Count > 0 ? found : throw new CannotCheckException($"{file.Name} has no wiring '{name}'; it has {known}.");
    }

    private static Type[] TypesOf(Assembly assembly, FileInfo file)
    {
        try
        {
            return assembly.GetTypes();
        }
        catch (ReflectionTypeLoadException failure)
        {
            string first = failure.LoaderExceptions.FirstOrDefault()?.Message ?? failure.Message;
            throw new CannotCheckException($"{file.Name} cannot be loaded whole: {FirstLine(first)} Build it, and check the file in its output folder.");
        }
    }

    private static FoundWiring Read(string name, MemberInfo member)
    {
        MethodInfo? source = member as MethodInfo ?? (member as PropertyInfo)?.GetMethod;
        string where = $"{member.DeclaringType?.Name}.{member.Name}";
        if (source is not { IsStatic: true, IsPublic: true } || source.GetParameters().Length > 0 || source.ContainsGenericParameters
            || source.ReturnType != typeof(Wiring))
        {
            throw new CannotCheckException($"{where} is marked [CheckedWiring], and is no public static property or method without parameters that gives a Wiring.");
        }

        try
        {
            Wiring wiring = (Wiring?)source.Invoke(null, null) ?? throw new CannotCheckException($"{where} gives null instead of a Wiring.");
            return new FoundWiring(name, wiring);
        }
        catch (TargetInvocationException failure)
        {
            Exception cause = failure.GetBaseException();
            throw new CannotCheckException($"{where} threw {cause.GetType().Name}: {FirstLine(cause.Message)} A wiring is written without side effects.");
        }
    }

    private static string FirstLine(string text)
    {
        string line = text.Split('\n')[0].Trim();
        return line.EndsWith('.') ? line : line + ".";
    }
}
