using System.Diagnostics.CodeAnalysis;
using System.Reflection;

namespace Junctivor.Reading;

/// <summary>Finds a member that shows how a type is used: the first method that it declares, or else its first property.</summary>
internal static class FirstMember
{
    private const BindingFlags Declared = BindingFlags.Instance | BindingFlags.Public | BindingFlags.DeclaredOnly;

    /// <summary>How it is called, with the names of its parameters, and whether it must be awaited; null where there is none.</summary>
    [UnconditionalSuppressMessage("Trimming", "IL2070", Justification = "A member that was trimmed away is not shown.")]
    [UnconditionalSuppressMessage("Trimming", "IL2075", Justification = "A member that was trimmed away is not shown.")]
    public static (string Call, bool IsAsync)? Of(Type type)
    {
        IReadOnlyList<Type> own = [type, .. type.IsInterface ? type.GetInterfaces() : []];
        MethodInfo? method = own.SelectMany(each => each.GetMethods(Declared)).FirstOrDefault(IsShown);
        if (method is not null)
        {
            return ($"{method.Name}({string.Join(", ", method.GetParameters().Select(parameter => parameter.Name))})",
                IsAwaited(method.ReturnType));
        }

        return own.SelectMany(each => each.GetProperties(Declared))
            .FirstOrDefault(property => property.GetIndexParameters().Length == 0) is { } found
            ? (found.Name, IsAwaited(found.PropertyType))
            : null;
    }

    private static bool IsShown(MethodInfo method) =>
        !method.IsSpecialName
        && !method.IsGenericMethod
        && method.GetBaseDefinition().DeclaringType != typeof(object)
        && method.Name is not (nameof(IDisposable.Dispose) or nameof(IAsyncDisposable.DisposeAsync))
        && !method.Name.Contains('.', StringComparison.Ordinal)
        && !method.Name.Contains('<', StringComparison.Ordinal);

    private static bool IsAwaited(Type returned) =>
        typeof(Task).IsAssignableFrom(returned)
        || returned == typeof(ValueTask)
        || (returned.IsGenericType && returned.GetGenericTypeDefinition() == typeof(ValueTask<>));
}
