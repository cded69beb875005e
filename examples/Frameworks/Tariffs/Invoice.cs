namespace Frameworks.Tariffs;

/// <summary>The bill of a vessel, by the tariff of its scope.</summary>
public sealed class Invoice(Tariff tariff)
{
    public string For(int nights) => $"{nights * tariff.Night:0.##} {tariff.Currency}";
}
