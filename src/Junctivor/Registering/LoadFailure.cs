using System.Reflection;
using System.Security;

namespace Junctivor.Registering;

/// <summary>Tells where the runtime cannot load a type, or something that the type names.</summary>
internal static class LoadFailure
{
    public static bool Is(Exception failure) => failure is
        TypeLoadException or FileNotFoundException or FileLoadException or BadImageFormatException or ReflectionTypeLoadException
        or CustomAttributeFormatException or MissingMemberException or VerificationException;

    /// <summary>What cannot be loaded, as a sentence.</summary>
    public static string TextOf(Exception failure) =>
        ExceptionText.FirstLineOf(
            (failure as ReflectionTypeLoadException)?.LoaderExceptions.OfType<Exception>().FirstOrDefault() ?? failure);
}
