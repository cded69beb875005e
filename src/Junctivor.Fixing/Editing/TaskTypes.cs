using Microsoft.CodeAnalysis;

namespace Junctivor.Fixing.Editing;

/// <summary>Which results are there only later.</summary>
internal static class TaskTypes
{
    private static readonly string[] Lazy = ["IEnumerable", "IQueryable", "IAsyncEnumerable", "IEnumerator"];
    private static readonly string[] Disposable = ["IDisposable", "IAsyncDisposable"];

    public static bool IsTask(ITypeSymbol? type) => type is INamedTypeSymbol { Name: "Task" or "ValueTask" } named
        && named.ContainingNamespace.ToDisplayString() == "System.Threading.Tasks";

    /// <summary>Whether it is read, or must be disposed, after the call that returned it.</summary>
    public static bool IsReadLater(ITypeSymbol? type) => ResultOf(type) is { } result
        && (Lazy.Contains(result.Name)
            || Disposable.Contains(result.Name)
            || result.TypeKind == TypeKind.Delegate
            || result.AllInterfaces.Any(each => Disposable.Contains(each.Name) || each.Name is "IQueryable" or "IAsyncEnumerable"));

    /// <summary>What is there once a call is awaited; null for a task without a result.</summary>
    private static ITypeSymbol? ResultOf(ITypeSymbol? type) =>
        type is INamedTypeSymbol task && IsTask(task) ? task.TypeArguments.FirstOrDefault() : type;
}
