using System.Diagnostics;
using System.Globalization;
using CsCheck;
using Junctivor.Model;

namespace Junctivor.Soak;

/// <summary>Random wirings against the independent model. What goes wrong is created as small as it can be, and printed as C#.</summary>
internal static class RandomWirings
{
    public static Outcome CompareAll(TimeSpan time, string? seed)
    {
        long wirings = 0;
        long sound = 0;
        string? trouble = Sample(time, seed, isTame => (entries, turn) =>
        {
            Interlocked.Increment(ref wirings);
            sound += new Specification(entries).Faults.Count == 0 ? 1 : 0;
            return Comparison.Difference(entries, turn);
        });
        return new Outcome(
            string.Create(
                CultureInfo.InvariantCulture, $"{wirings:N0} wirings, of which about {sound:N0} were sound and were run in three modes"),
                trouble);
    }

    public static Outcome FailAll(TimeSpan time, string? seed)
    {
        long runs = 0;
        long wirings = 0;
        string? trouble = Sample(time, seed, _ => (entries, turn) =>
        {
            string? found = FaultInjection.Trouble(entries, turn, (PlanCompilation)(turn % 3), out int told);
            Interlocked.Add(ref runs, told);
            Interlocked.Add(ref wirings, told > 0 ? 1 : 0);
            return found;
        });
        return new Outcome(
            string.Create(CultureInfo.InvariantCulture, $"{runs:N0} runs of {wirings:N0} sound wirings, each with one moment that failed"),
            trouble);
    }

    private static string? Sample(TimeSpan time, string? seed, Func<bool, Func<Entry[], int, string?>> trial)
    {
        Stopwatch watch = Stopwatch.StartNew();
        foreach (bool isTame in new[] { true, false })
        {
            Func<Entry[], int, string?> check = trial(isTame);
            TimeSpan end = isTame ? time * 0.7 : time;
            try
            {
                Gen.Select(RandomEntries.Of(isTame), Gen.Int[0, 19]).Sample(
                    (entries, turn) =>
                    {
                        if (check(entries, turn) is { } trouble)
                        {
                            throw new InvalidOperationException(trouble);
                        }
                    },
                    seed: seed,
                    iter: seed is null ? -1 : 1,
                    time: Math.Max(1, (int)(end - watch.Elapsed).TotalSeconds));
            }
            catch (Exception failure)
            {
                return failure.ToString();
            }
        }

        return null;
    }
}
