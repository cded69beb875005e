using Junctivor.Registering;

namespace Junctivor.Runtime;

/// <summary>Adds to what is thrown what went wrong besides, when that was ended which had been created for it.</summary>
internal static class DisposalFailures
{
    /// <summary>Where they stand in the data of an exception of the base class library.</summary>
    public const string Key = "DisposalFailures";

    public static void Add(Exception? thrown, List<Exception>? failures)
    {
        if (failures is null)
        {
            return;
        }

        switch (thrown)
        {
            case ConstructionException construction:
                construction.AlsoFailed(failures);
                break;
            case ResolveException resolve:
                resolve.AlsoFailed(failures);
                break;
            case not null:
                thrown.Data[Key] = thrown.Data[Key] is Exception[] known ? [.. known, .. failures] : failures.ToArray();
                break;
        }
    }

    /// <summary>The lines that tell of them in a message; nothing where there are none.</summary>
    public static string Lines(IReadOnlyList<Exception> failures) => string.Concat(
        failures.Select(failure => $"\nDisposing what had been created for it failed too: {ExceptionText.Of(failure)}"));

    public static T AddTo<T>(T thrown, List<Exception>? failures)
        where T : Exception
    {
        Add(thrown, failures);
        return thrown;
    }
}
