namespace Junctivor.Runtime;

/// <summary>Keeps one construction for each thread, to be used again.</summary>
internal static class ConstructionPool
{
    [ThreadStatic]
    private static Construction? Spare;

    public static Construction Rent()
    {
        Construction construction = Spare ?? new Construction();
        Spare = null;
        return construction;
    }

    public static void Return(Construction construction) => Spare = construction;
}
