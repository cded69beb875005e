namespace Junctivor.Model;

/// <summary>What a test lets fail.</summary>
public sealed class InjectedFailure() : Exception("It was to fail.")
{
    /// <summary>Asks, and once more where what was to fail has failed: the same request must succeed then.</summary>
    public static T Retry<T>(Func<T> ask)
    {
        try
        {
            return ask();
        }
        catch (Exception failure) when (IsIn(failure))
        {
            return ask();
        }
    }

    public static bool IsIn(Exception failure) => failure is InjectedFailure
        || (failure is AggregateException several ? several.InnerExceptions.Any(IsIn) : failure.InnerException is { } inner && IsIn(inner));
}
