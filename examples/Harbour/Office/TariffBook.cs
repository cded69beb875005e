namespace Harbour.Office;

public sealed record TariffBook(decimal PerMetreAndNight, decimal HarbourDues);
