using System.Diagnostics;
using System.Globalization;
using Junctivor.Writing;

namespace Junctivor.Soak;

/// <summary>Random programs that write their wirings in many ways: what the compiler says of them against what the run says.</summary>
internal static class WrittenPrograms
{
    private const int BatchSize = 25;

    public static Outcome CompareAll(TimeSpan time, string? seed)
    {
        Stopwatch watch = Stopwatch.StartNew();
        int next = seed is null ? Environment.TickCount & 0xFFFFF : int.Parse(seed, CultureInfo.InvariantCulture);
        int followed = 0;
        int unfollowed = 0;
        HashSet<string> ways = [];
        do
        {
            try
            {
                ProgramCheck check = ProgramCheck.Run(next, BatchSize, CancellationToken.None);
                followed += check.Followed;
                unfollowed += check.Unfollowed;
                ways.UnionWith(check.Ways);
                if (check.Wrong.Count > 0)
                {
                    return new Outcome(Figures(), $"seed {next}: {string.Join("\n\n", check.Wrong)}");
                }
            }
            catch (Exception failure)
            {
                return new Outcome(Figures(), $"seed {next}: {failure}");
            }

            next++;
        }
        while (seed is null && watch.Elapsed < time);
        return new Outcome(Figures(), null);

        string Figures() => string.Create(
            CultureInfo.InvariantCulture,
            $"{followed + unfollowed:N0} programs in {ways.Count} ways of writing a wiring, of which the compiler followed {followed:N0}");
    }
}
