using System.Reflection;

namespace Junctivor.Cli.Loading;

/// <summary>Whether an assembly can be checked by the Junctivor that the command brings.</summary>
internal static class OwnVersion
{
    private static readonly AssemblyName Own = typeof(Wiring).Assembly.GetName();

    /// <exception cref="CannotCheckException">It was built for another Junctivor.</exception>
    public static void Check(Assembly assembly)
    {
        if (assembly.GetReferencedAssemblies().FirstOrDefault(reference => reference.Name == Own.Name) is { } reference)
        {
            Check(assembly.GetName().Name, reference);
        }
    }

    /// <exception cref="CannotCheckException">It was built for another Junctivor.</exception>
    public static void Check(string? assembly, AssemblyName reference)
    {
        if (reference.Version is { } wanted && !Fits(wanted, Own.Version!))
        {
            throw new CannotCheckException(
                $"{assembly} was built for Junctivor {wanted.ToString(3)}, and this command contains {Own.Version!.ToString(3)}: use the "
                    + "command of the same version as the library.");
        }
    }

    /// <summary>Before 1.0, each minor version may break; after it, only a major one. What is newer than the command never fits.</summary>
    private static bool Fits(Version wanted, Version own) =>
        wanted.Major == own.Major && (wanted.Major > 0 || wanted.Minor == own.Minor) && wanted <= own;
}
