namespace Junctivor.Model;

/// <summary>Compares the library with the model.</summary>
public static class Comparison
{
    /// <returns>What they do not agree on; null if they agree.</returns>
    public static string? Difference(IReadOnlyList<Entry> entries, int turn)
    {
        Specification specification = new(entries);
        Registrations registrations = new(entries);
        string found =
            string.Join(
                ", ", registrations.ToWiring(new Journal()).Check().Errors.Select(fault => fault.Code)
                    .Distinct()
                    .Order(StringComparer.Ordinal));
        string wanted = string.Join(", ", specification.Faults);
        if (found != wanted)
        {
            return $"The check finds [{found}], and the model [{wanted}]:\n{registrations}";
        }

        if (specification.Faults.Count > 0)
        {
            return null;
        }

        Journal journal = new();
        string expected = Story.Of(new ModelRun(specification, journal), journal, turn);
        foreach (PlanCompilation compilation in Enum.GetValues<PlanCompilation>())
        {
            Journal own = new();
            string told = Story.Of(new RealRun(entries, specification, own, compilation), own, turn);
            if (told != expected)
            {
                return $"{compilation}, turn {turn}: {FirstDifference(expected, told)}\n{registrations}";
            }
        }

        return null;
    }

    private static string FirstDifference(string expected, string told)
    {
        string[] one = expected.Split('\n');
        string[] other = told.Split('\n');
        int line = Enumerable.Range(0, Math.Min(one.Length, other.Length)).First(number => one[number] != other[number]);
        return $"line {line + 1}\n  model:   {one[line]}\n  library: {other[line]}";
    }
}
