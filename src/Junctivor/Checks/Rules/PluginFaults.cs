namespace Junctivor.Checks;

/// <summary>JV207: a file among the plug-ins that could not be loaded; the rest is.</summary>
internal static class PluginFaults
{
    public static IEnumerable<Fault> Of(IEnumerable<string?> troubles) =>
        from trouble in troubles
        where trouble is not null
        select new Fault
        {
            Kind = FaultKind.PluginLeftOut,
            Summary = trouble,
            Cures = [new Cure("take the file out of the folder, or put in one that is built for this program")],
            Order = int.MaxValue,
        };
}
