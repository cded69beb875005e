using System.Diagnostics.CodeAnalysis;
using System.Reflection;
using System.Runtime.CompilerServices;
using System.Threading.Channels;

namespace Junctivor.Hubs;

/// <summary>Lets the scope of a call live as long as the stream that the call returned.</summary>
internal static class ScopedStreams
{
    private static readonly MethodInfo OfType =
        typeof(ScopedStreams).GetMethod(nameof(Of), BindingFlags.NonPublic | BindingFlags.Static)!;

    /// <summary>Disposes the scope: at the end of the stream, or at once if the result is none.</summary>
    /// <returns>What the call returns in the place of the result.</returns>
    [UnconditionalSuppressMessage("Trimming", "IL2075", Justification = "The host reads the same members of the stream.")]
    [UnconditionalSuppressMessage("AOT", "IL3050", Justification = "SignalR itself creates generic code for the type of a stream.")]
    [UnconditionalSuppressMessage("Trimming", "IL2060", Justification = "The method has no requirement of its type argument.")]
    public static async ValueTask<object?> EndWithAsync(object? result, Scope scope)
    {
        if (result is not null)
        {
            if (ItemOf(typeof(IAsyncEnumerable<>), result.GetType().GetInterfaces()) is { } item)
            {
                return OfType.MakeGenericMethod(item).Invoke(null, [result, scope, CancellationToken.None]);
            }

            if (ItemOf(typeof(ChannelReader<>), BasesOf(result.GetType())) is not null)
            {
                Task completion = (Task)result.GetType().GetProperty("Completion")!.GetValue(result)!;
                _ = completion.ContinueWith(
                    _ => scope.DisposeAsync().AsTask(), CancellationToken.None, TaskContinuationOptions.None, TaskScheduler.Default);
                return result;
            }
        }

        await scope.DisposeAsync().ConfigureAwait(false);
        return result;
    }

    private static async IAsyncEnumerable<T> Of<T>(
        IAsyncEnumerable<T> stream, Scope scope,
        [EnumeratorCancellation] CancellationToken cancellationToken = default)
    {
        await using (scope.ConfigureAwait(false))
        {
            await foreach (T item in stream.WithCancellation(cancellationToken).ConfigureAwait(false))
            {
                yield return item;
            }
        }
    }

    private static Type? ItemOf(Type form, IEnumerable<Type> types) => types
        .FirstOrDefault(type => type.IsConstructedGenericType && type.GetGenericTypeDefinition() == form)?.GenericTypeArguments[0];

    private static IEnumerable<Type> BasesOf(Type type)
    {
        for (Type? each = type; each is not null; each = each.BaseType)
        {
            yield return each;
        }
    }
}
