using Junctivor.Benchmarks.Cases;

namespace Junctivor.Benchmarks.Running;

/// <summary>Each case a few times, and what comes back compared with its twin.</summary>
internal static class Smoke
{
    /// <returns>0 if all give what their twins give, 1 otherwise.</returns>
    public static int Run(IReadOnlyList<Case> cases)
    {
        int wrong = 0;
        foreach (Case one in cases)
        {
            one.Prepare();
            for (int time = 0; time < 3; time++)
            {
                (Type? byHand, Type? wired) = (one.ByHand()?.GetType(), one.Wired()?.GetType());
                if (byHand != wired)
                {
                    wrong++;
                    Console.Error.WriteLine($"{one.Name} gives {wired?.Name ?? "nothing"}, and by hand {byHand?.Name ?? "nothing"}.");
                    break;
                }
            }
        }

        Console.WriteLine(wrong == 0 ? "All cases run." : $"{wrong} cases are wrong.");
        return wrong == 0 ? 0 : 1;
    }
}
