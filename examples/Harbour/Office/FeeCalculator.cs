namespace Harbour.Office;

/// <summary>What a stay costs.</summary>
public sealed class FeeCalculator(TariffBook tariffs)
{
    public decimal FeeFor(BerthRequest request) =>
        Math.Round(tariffs.HarbourDues + (tariffs.PerMetreAndNight * (decimal)request.LengthMetres * request.Nights), 2);
}
