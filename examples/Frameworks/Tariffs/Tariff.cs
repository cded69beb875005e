namespace Frameworks.Tariffs;

/// <summary>What a night costs: a section of the configuration, which can change while the program runs.</summary>
public sealed class Tariff
{
    public decimal Night { get; set; } = 25;

    public string Currency { get; set; } = "marks";
}
