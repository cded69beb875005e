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
    [RequiresUnreferencedCode(TrimmingReasons.Scanning)]
    public static IReadOnlyList<MarkedWiring> In(Assembly assembly)
    {
        try
        {
            return
            [
                .. from type in assembly.GetTypes()
                   from member in type.GetMembers(Everything)
                   let mark = member.GetCustomAttribute<CheckedWiringAttribute>()
                   where mark is not null
                   let called = mark.Name.Length > 0 ? mark.Name : member.Name
                   orderby called.ToUpperInvariant()
                   select new MarkedWiring(called, member),
            ];
        }
        catch (Exception failure) when (LoadFailure.Is(failure))
        {
            throw new WiringSourceException($"not all of its types can be loaded: {LoadFailure.TextOf(failure)}");
        }
    }

    /// <summary>Runs the member.</summary>
    /// <exception cref="WiringSourceException">It cannot be a source of a wiring, or throws.</exception>
    public Wiring Read()
    {
        MethodInfo? source = Member as MethodInfo ?? (Member as PropertyInfo)?.GetMethod;
        if (source is not { IsStatic: true, IsPublic: true } || source.GetParameters().Length > 0 || source.ContainsGenericParameters
            || source.ReturnType != typeof(Wiring))
        {
            throw new WiringSourceException(
                $"{Where} has [CheckedWiring], but is not a public static property or parameterless method that returns a Wiring.");
        }

        try
        {
            return (Wiring?)source.Invoke(null, null) ?? throw new WiringSourceException($"{Where} returned null instead of a Wiring.");
        }
        catch (Exception failure) when (failure is TargetInvocationException || LoadFailure.Is(failure))
        {
            Exception cause = failure.GetBaseException();
            throw new WiringSourceException(
                $"{Where} threw {cause.GetType().Name}: {ExceptionText.FirstLineOf(cause)} Creating a wiring should have no side effects.");
        }
    }
}
