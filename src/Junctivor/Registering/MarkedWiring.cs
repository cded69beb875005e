using System.Diagnostics.CodeAnalysis;
using System.Reflection;

namespace Junctivor.Registering;

/// <summary>A member that carries <see cref="CheckedWiringAttribute"/>.</summary>
/// <param name="Name">What it is called by.</param>
/// <param name="Member">The property or method.</param>
internal sealed record MarkedWiring(string Name, MemberInfo Member)
{
    private const BindingFlags Everything =
        BindingFlags.Public | BindingFlags.NonPublic | BindingFlags.Static | BindingFlags.Instance | BindingFlags.DeclaredOnly;

    private string Where => $"{Member.DeclaringType?.Name}.{Member.Name}";

    /// <summary>All of an assembly, by name.</summary>
    /// <exception cref="WiringSourceException">The assembly cannot be loaded whole.</exception>
    [RequiresUnreferencedCode(Reasons.Scanning)]
    public static IReadOnlyList<MarkedWiring> In(Assembly assembly) =>
    [
        .. from type in TypesOf(assembly)
           from member in type.GetMembers(Everything)
           let mark = member.GetCustomAttribute<CheckedWiringAttribute>()
           where mark is not null
           let called = mark.Name.Length > 0 ? mark.Name : member.Name
           orderby called.ToUpperInvariant()
           select new MarkedWiring(called, member),
    ];

    /// <summary>Runs the member.</summary>
    /// <exception cref="WiringSourceException">It cannot be a source of a wiring, or throws.</exception>
    public Wiring Read()
    {
        MethodInfo? source = Member as MethodInfo ?? (Member as PropertyInfo)?.GetMethod;
        if (source is not { IsStatic: true, IsPublic: true } || source.GetParameters().Length > 0 || source.ContainsGenericParameters
            || source.ReturnType != typeof(Wiring))
        {
            throw new WiringSourceException($"{Where} is marked [CheckedWiring], and is no public static property or method without parameters that gives a Wiring.");
        }

        try
        {
            return (Wiring?)source.Invoke(null, null) ?? throw new WiringSourceException($"{Where} gives null instead of a Wiring.");
        }
        catch (TargetInvocationException failure)
        {
            Exception cause = failure.GetBaseException();
            throw new WiringSourceException($"{Where} threw {cause.GetType().Name}: {FirstLine(cause.Message)} A wiring is written without side effects.");
        }
    }

    [RequiresUnreferencedCode(Reasons.Scanning)]
    private static Type[] TypesOf(Assembly assembly)
    {
        try
        {
            return assembly.GetTypes();
        }
        catch (ReflectionTypeLoadException failure)
        {
            string first = failure.LoaderExceptions.FirstOrDefault()?.Message ?? failure.Message;
            throw new WiringSourceException($"it cannot be loaded whole: {FirstLine(first)}");
        }
    }

    private static string FirstLine(string text)
    {
        string line = text.Split('\n')[0].Trim();
        return line.EndsWith('.') ? line : line + ".";
    }
}
