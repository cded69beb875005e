using System.Runtime.CompilerServices;

namespace Junctivor.Runtime;

/// <summary>Works in a scope that nobody else has, and ends it.</summary>
internal static class ScopedWork
{
    /// <summary>Ends the scope of work that went well.</summary>
    /// <exception cref="AggregateException">It did not end well, or something can be disposed only asynchronously.</exception>
    public static void DisposeScope(Scope? scope)
    {
        if (Disposal.FailureOf(scope?.DisposeUnreachable(isToldOf: true), "the scope") is { } ended)
        {
            throw ended;
        }
    }

    /// <summary>Ends the scope of work that threw.</summary>
    /// <exception cref="AggregateException">It did not end well: with what the work threw, and what the end did.</exception>
    public static void DisposeAfterFailure(Exception failure, Scope? scope)
    {
        List<Exception>? ended = scope?.DisposeUnreachable(isToldOf: false);
        if (RuntimeHelpers.TryEnsureSufficientExecutionStack())
        {
            ThrowBoth(failure, ended);
        }

        // Too little stack is left to throw another exception, so this one carries them.
        DisposalFailures.Add(failure, ended);
    }

    /// <summary>An exception filter that stores the exception and does not catch it: a catch block runs on top of the stack of the throw,
    /// and with thousands of nested scopes little of that stack is left.</summary>
    /// <returns>False.</returns>
    public static bool IsNoted(Exception thrown, out Exception? failure)
    {
        failure = thrown;
        return false;
    }

    /// <exception cref="AggregateException">The scope did not end well; where the work threw too, its exception is the first
    /// inside.</exception>
    public static async Task<TResult> RunAsync<TResult>(Scope scope, Func<Scope, Task<TResult>> work)
    {
        TResult result;
        scope.BecomeCurrent();
        try
        {
            result = await work(scope).ConfigureAwait(false);
        }
        catch (Exception failure)
        {
            ThrowBoth(failure, await DisposeAsync(scope).ConfigureAwait(false));
            throw;
        }

        await scope.DisposeAsync().ConfigureAwait(false);
        return result;
    }

    /// <inheritdoc cref="RunAsync{TResult}"/>
    public static Task RunAsync(Scope scope, Func<Task> work) => RunAsync(scope, async _ =>
    {
        await work().ConfigureAwait(false);
        return true;
    });

    /// <summary>Ends a scope that could not be handed out, and adds what that throws to the reason.</summary>
    public static void DisposeUnused(Scope scope, Exception reason) =>
        DisposalFailures.Add(reason, scope.DisposeUnreachable(isToldOf: false));

    /// <inheritdoc cref="DisposeUnused"/>
    public static async ValueTask DisposeUnusedAsync(Scope scope, Exception reason) =>
        DisposalFailures.Add(reason, await DisposeAsync(scope).ConfigureAwait(false));

    private static async ValueTask<List<Exception>?> DisposeAsync(Scope scope)
    {
        try
        {
            await scope.DisposeAsync().ConfigureAwait(false);
            return null;
        }
        catch (AggregateException ended)
        {
            return [.. ended.InnerExceptions];
        }
    }

    private static void ThrowBoth(Exception failure, List<Exception>? ended)
    {
        if (ended is not null)
        {
            throw new AggregateException("The work failed, and so did the disposal of its scope.", [failure, .. ended]);
        }
    }
}
