using Junctivor;
using Junctivor.Checks;
using Mistakes.Samples;

namespace Mistakes;

/// <summary>One mistake for each code, each in the smallest wiring that shows it.</summary>
public static class Collection
{
    /// <summary>All, by code.</summary>
    public static IReadOnlyList<Mistake> All { get; } =
    [
        new("JV101", Missing.Wiring.Check),
        new("JV102", NotConstructible.Wiring.Check),
        new("JV103", SeveralConstructors.Wiring.Check),
        new("JV104", DoesNotServe.Wiring.Check),
        new("JV105", () => Told(() => NotHandedOver.Build().Dispose())),
        new("JV106", ArgumentMismatch.Wiring.Check),
        new("JV107", () => Told(() => NobodyPromised.Start().Dispose())),
        new("JV108", AsyncInFrom.Wiring.Check),
        new("JV109", DoesNotApply.Wiring.Check),
        new("JV201", Cycle.Wiring.Check),
        new("JV202", Ambiguous.Wiring.Check),
        new("JV203", ReplacesNothing.Wiring.Check),
        new("JV204", RegisteredTwice.Wiring.Check),
        new("JV205", DecoratesNothing.Wiring.Check),
        new("JV206", GenericConstraint.Wiring.Check),
        new("JV207", WithPlugin),
        new("JV301", Captive.Wiring.Check),
        new("JV302", () => Told(() => ScopedOutsideScope.Ask())),
        new("JV303", FrozenTransient.Wiring.Check),
        new("JV304", UnreleasedTransient.Wiring.Check),
        new("JV305", LevelOutOfPlace.Wiring.Check),
        new("JV306", AskingClassShared.Wiring.Check),
        new("JV401", () => Told(() => AsyncNotReady.Ask())),
        new("JV402", LateValueNeededEarly.Wiring.Check),
        new("JV501", Unreachable.Wiring.Check),
        new("JV502", TakesScope.Wiring.Check),
        new("JV503", InBranch),
        new("JV504", AcceptsNothing.Wiring.Check),
        new("JV505", Absent.Wiring.Check),
    ];

    /// <summary>What is said to something that fails.</summary>
    private static CheckReport Told(Action mistake)
    {
        try
        {
            mistake();
            throw new InvalidOperationException("Nothing was said to this mistake.");
        }
        catch (WiringException told)
        {
            return told.Report;
        }
        catch (ResolveException told)
        {
            return told.Report;
        }
    }

    private static CheckReport WithPlugin()
    {
        string folder = Directory.CreateTempSubdirectory("mistakes-").FullName;
        try
        {
            return PluginLeftOut.In(folder).Check();
        }
        finally
        {
            Directory.Delete(folder, recursive: true);
        }
    }

    private static CheckReport InBranch()
    {
        using Container office = BranchNotSeen.Office.Build();
        using Container branch = BranchNotSeen.Branch(office);
        return branch.Report;
    }
}
