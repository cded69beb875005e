using Junctivor;

namespace Mistakes.Samples;

/// <summary>JV402: the running office is supplied later, and the bell wants it at once.</summary>
public static class LateValueNeededEarly
{
    [CheckedWiring("JV402")]
    public static Wiring Wiring =>
    [
        Singleton.Incoming<RunningOffice>().SuppliedLater(),
        Singleton.Of<OfficeBell>(),
    ];

    private sealed class RunningOffice;

    private sealed class OfficeBell(RunningOffice office);
}
