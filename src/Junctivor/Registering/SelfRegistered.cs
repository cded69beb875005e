using System.Collections;
using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using Junctivor.CompilerServices;
using Junctivor.Graph;
using Junctivor.Registering;

namespace Junctivor;

/// <summary>
/// The classes of an assembly with <see cref="SelfRegisteredAttribute"/>, to be spread in a <see cref="Wiring"/>.
/// <see cref="ToString"/> lists the registrations that were found. Immutable.
/// </summary>
/// <example>
/// <code>
/// SelfRegistered notices = SelfRegistered.In&lt;NoticeBoard&gt;().Where(type => type.Namespace == "Harbour.Notices");
/// Console.WriteLine(notices);
/// Wiring wiring = [Singleton.Of&lt;IClock, SystemClock&gt;(), .. notices];
/// </code>
/// </example>
public sealed class SelfRegistered : IReadOnlyCollection<Registration>
{
    private readonly IReadOnlyList<(Type Class, Registration Registration)> _taken;

    private SelfRegistered(IReadOnlyList<(Type Class, Registration Registration)> taken) => _taken = taken;

    /// <summary>The number of registrations.</summary>
    public int Count => _taken.Count;

    /// <summary>Finds the classes of the assembly that contains a type.</summary>
    /// <typeparam name="T">Any type of the assembly that is not static.</typeparam>
    /// <returns>Their registrations, in the order of the full class names.</returns>
    /// <exception cref="PlatformNotSupportedException">The program was trimmed or compiled natively when it was published, and the assembly
    /// was compiled without the package, and so lacks the list of these classes.</exception>
    public static SelfRegistered In<T>() => In(typeof(T).Assembly);

    /// <summary>Finds the classes of an assembly: by the list that the package wrote into it when it was compiled; by a search of all its
    /// types where it was compiled without the package.</summary>
    /// <param name="assembly">The assembly.</param>
    /// <returns>Their registrations, in the order of the full class names.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="assembly"/> is null.</exception>
    /// <exception cref="PlatformNotSupportedException">The program was trimmed or compiled natively when it was published, and the assembly
    /// lacks that list.</exception>
    [UnconditionalSuppressMessage("Trimming", "IL2067", Justification = "The list keeps these classes; a search is refused if it may not.")]
    public static SelfRegistered In(Assembly assembly)
    {
        ArgumentNullException.ThrowIfNull(assembly);
        Type[] types = ListedIn(assembly, out IReadOnlyList<Registration> unloadable) ?? SearchedIn(assembly, out unloadable);
        return new SelfRegistered(
        [
            .. from type in types.OrderBy(type => type.FullName, StringComparer.Ordinal)
               from registration in Read(type)
               select (type, registration),
            .. unloadable.Select(registration => (typeof(object), registration)),
        ]);
    }

    /// <summary>The classes that the package listed; null if it did not.</summary>
    [UnconditionalSuppressMessage("Trimming", "IL2026", Justification = "The attribute keeps the class that it names.")]
    private static Type[]? ListedIn(Assembly assembly, out IReadOnlyList<Registration> unloadable)
    {
        List<Registration> failed = [];
        unloadable = failed;
        List<Type>? types = null;
        foreach (SelfRegisteredClassAttribute listed in assembly.GetCustomAttributes<SelfRegisteredClassAttribute>())
        {
            types ??= [];
            if (listed.ClassName is null)
            {
                continue;
            }

            try
            {
                // In this very assembly, which may have been loaded apart from others of its name.
                types.Add(assembly.GetType(listed.ClassName.Split(", ")[0], throwOnError: true)!);
            }
            catch (Exception failure) when (failure is TypeLoadException or FileNotFoundException or FileLoadException)
            {
                failed.Add(Unloadable(assembly, ExceptionText.FirstLineOf(failure)));
            }
        }

        return types?.ToArray();
    }

    private static Type[] SearchedIn(Assembly assembly, out IReadOnlyList<Registration> unloadable)
    {
        ScanningSupport.ThrowIfRefused(
            $"{assembly.GetName().Name} has no list of its [SelfRegistered] classes, and cannot be searched for them: this program was "
                + "trimmed or compiled natively when it was published, and classes that only a search finds may be gone. Let the project of "
                + $"{assembly.GetName().Name} reference the package Junctivor, which writes that list, or register the classes in a wiring "
                + "instead, such as Singleton.Of<NoticeBoard>(). If the assembly is kept whole (TrimmerRootAssembly), set "
                + "<JunctivorScanning>true</JunctivorScanning> in the project of the program.");
        return TypesOf(assembly, out unloadable);
    }

    /// <summary>The types that can be loaded; one that cannot is registered as such, so that the check reports it.</summary>
    [UnconditionalSuppressMessage("Trimming", "IL2026", Justification = "It is refused in a program that was trimmed.")]
    private static Type[] TypesOf(Assembly assembly, out IReadOnlyList<Registration> unloadable)
    {
        try
        {
            unloadable = [];
            return assembly.GetTypes();
        }
        catch (ReflectionTypeLoadException partly)
        {
            unloadable = [.. partly.LoaderExceptions.OfType<Exception>()
                .Select(ExceptionText.FirstLineOf)
                .Distinct()
                .Select(reason => Unloadable(assembly, reason))];
            return [.. partly.Types.OfType<Type>()];
        }
    }

    private static Registration<object> Unloadable(Assembly assembly, string reason) => new(new RegistrationData
    {
        Service = typeof(object),
        Source = new InstanceSource.Unreadable($"a class of {assembly.GetName().Name}", reason, IsPlugin: false),
        Level = Level.Singleton,
        Place = default,
    });

    /// <summary>Keeps the registrations of some classes.</summary>
    /// <param name="predicate">Returns whether to keep a class.</param>
    /// <returns>The registrations that are kept.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="predicate"/> is null.</exception>
    public SelfRegistered Where(Func<Type, bool> predicate)
    {
        ArgumentNullException.ThrowIfNull(predicate);
        return new SelfRegistered([.. _taken.Where(each => predicate(each.Class))]);
    }

    /// <summary>Enumerates the registrations.</summary>
    /// <returns>An enumerator over the registrations.</returns>
    public IEnumerator<Registration> GetEnumerator() => _taken.Select(each => each.Registration).GetEnumerator();

    IEnumerator IEnumerable.GetEnumerator() => GetEnumerator();

    /// <summary>The list of registrations, for people.</summary>
    /// <returns>A line for each registration: the lifetime, the class, and the services.</returns>
    public override string ToString() => string.Join('\n', _taken.Select(each => each.Registration));

    /// <summary>Attributes of one lifetime and mark are one registration, and so one instance, for all their services.</summary>
    private static IEnumerable<Registration> Read([DynamicallyAccessedMembers(Kept.Members)] Type type) =>
        from attribute in type.GetCustomAttributes<SelfRegisteredAttribute>(inherit: false)
        group attribute by (attribute.Lifetime, attribute.Mark) into same
        select ToRegistration(type, [.. same]);

    private static Registration<object> ToRegistration(
        [DynamicallyAccessedMembers(Kept.Members)] Type type, IReadOnlyList<SelfRegisteredAttribute> attributes)
    {
        SelfRegisteredAttribute first = attributes[0];
        IReadOnlyList<Type> services = [.. attributes.Select(attribute => attribute.Service ?? type)];
        return new Registration<object>(new RegistrationData
        {
            Service = services[0],
            AlsoServes = [.. services.Skip(1)],
            Source = new InstanceSource.OfClass(type),
            Level = LevelOf(first.Lifetime),
            Place = new SourcePlace(first.File, first.Line),
            Mark = first.Mark is null or string or Type
                ? first.Mark
                : throw new ArgumentException(
                    $"The mark of {TypeNames.Short(type)} is a {first.Mark.GetType().Name}; a mark must be a string or a type."),
        });
    }

    private static Level LevelOf(Lifetime lifetime) => lifetime switch
    {
        Lifetime.Singleton => Level.Singleton,
        Lifetime.Scoped => Level.Scoped,
        _ => Level.Transient,
    };
}
