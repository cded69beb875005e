namespace Junctivor.Soak;

/// <summary>All ways to look for mistakes.</summary>
internal static class Parts
{
    public static IReadOnlyList<Part> All { get; } =
    [
        new("model", 4, RandomWirings.CompareAll),
        new("faults", 3, RandomWirings.FailAll),
        new("programs", 3, WrittenPrograms.CompareAll),
        new("orders", 3, Orders.TryAll),
        new("contention", 4, Contention.Run),
        new("scopes", 1, Endurance.Scopes),
        new("sessions", 1, Endurance.Sessions),
        new("resolutions", 1, Endurance.Resolutions),
    ];
}
