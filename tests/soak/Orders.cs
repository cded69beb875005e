using System.Diagnostics;
using System.Globalization;
using System.Reflection;
using Junctivor.Tests.Interleaving;

namespace Junctivor.Soak;

/// <summary>Every order of steps of what threads do at once, with one interruption more in each round, until the time is over.</summary>
internal static class Orders
{
    public static Outcome TryAll(TimeSpan time, string? seed)
    {
        Type scenarios = new RewrittenLibrary().Scenarios;
        MethodInfo trial = scenarios.GetMethod(nameof(Scenarios.Try))!;
        string[] names = [.. scenarios.GetMethods(BindingFlags.NonPublic | BindingFlags.Static)
            .Where(method => method.ReturnType.Name.StartsWith("Func", StringComparison.Ordinal)
                && method.GetParameters().Length == 0
                && method.Name.Contains('_', StringComparison.Ordinal) && !method.Name.StartsWith('<')).Select(method => method.Name)];
        Stopwatch watch = Stopwatch.StartNew();
        long orders = 0;
        int most = 0;
        Dictionary<string, TimeSpan> took = [];
        for (int interruptions = 1; interruptions <= 4; interruptions++)
        {
            foreach (string name in names)
            {
                // One interruption more takes some ten times as long.
                if (watch.Elapsed + (took.GetValueOrDefault(name) * 20) > time)
                {
                    continue;
                }

                TimeSpan started = watch.Elapsed;
                try
                {
                    orders += (int)trial.Invoke(null, BindingFlags.DoNotWrapExceptions, null, [name, interruptions], null)!;
                    most = interruptions;
                }
                catch (InvalidOperationException failure) when (failure.Message.Contains("make it smaller", StringComparison.Ordinal))
                {
                    continue;
                }
                catch (InvalidOperationException failure)
                {
                    return new Outcome($"{orders} orders", failure.ToString());
                }

                took[name] = watch.Elapsed - started;
            }
        }

        return new Outcome(
            string.Create(
                CultureInfo.InvariantCulture, $"{orders:N0} orders of steps of {names.Length} scenarios, with up to {most} interruptions"),
                null);
    }
}
