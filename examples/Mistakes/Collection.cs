using Junctivor;
using Mistakes.Samples;

namespace Mistakes;

/// <summary>One mistake for each code, each in the smallest wiring that shows it.</summary>
public static class Collection
{
    /// <summary>All, by code.</summary>
    public static IReadOnlyList<Mistake> All { get; } =
    [
        new("JV101", typeof(Missing), Missing.Wiring.Check),
        new("JV102", typeof(NotConstructible), NotConstructible.Wiring.Check),
        new("JV103", typeof(SeveralConstructors), SeveralConstructors.Wiring.Check),
        new("JV104", typeof(DoesNotImplement), DoesNotImplement.Wiring.Check),
        new("JV105", typeof(NotSupplied), () => Told(() => NotSupplied.Build().Dispose())),
        new("JV106", typeof(ArgumentMismatch), ArgumentMismatch.Wiring.Check),
        new("JV107", typeof(NotDeclared), () => Told(() => NotDeclared.Start().Dispose())),
        new("JV108", typeof(AsyncInFrom), AsyncInFrom.Wiring.Check),
        new("JV109", typeof(DoesNotApply), DoesNotApply.Wiring.Check),
        new("JV110", typeof(NotServed), NotServed.Check),
        new("JV201", typeof(Cycle), Cycle.Wiring.Check),
        new("JV202", typeof(Ambiguous), Ambiguous.Wiring.Check),
        new("JV203", typeof(ReplacesNothing), ReplacesNothing.Wiring.Check),
        new("JV204", typeof(RegisteredTwice), RegisteredTwice.Wiring.Check),
        new("JV205", typeof(DecoratesNothing), DecoratesNothing.Wiring.Check),
        new("JV206", typeof(GenericConstraint), GenericConstraint.Wiring.Check),
        new("JV207", typeof(PluginSkipped), WithPlugin),
        new("JV208", typeof(SplitClass), SplitClass.Wiring.Check),
        new("JV301", typeof(Captive), Captive.Wiring.Check),
        new("JV302", typeof(ScopedOutsideScope), () => Told(() => ScopedOutsideScope.Ask())),
        new("JV303", typeof(FrozenTransient), FrozenTransient.Wiring.Check),
        new("JV304", typeof(UnreleasedTransient), UnreleasedTransient.Wiring.Check),
        new("JV305", typeof(LevelOutOfPlace), LevelOutOfPlace.Wiring.Check),
        new("JV306", typeof(ConsumingClassShared), ConsumingClassShared.Wiring.Check),
        new("JV401", typeof(AsyncNotReady), () => Told(() => AsyncNotReady.AskAsync().GetAwaiter().GetResult())),
        new("JV402", typeof(LateValueNeededEarly), LateValueNeededEarly.Wiring.Check),
        new("JV403", typeof(NotWarmedUp), AtDisposal),
        new("JV501", typeof(Unreachable), Unreachable.Wiring.Check),
        new("JV502", typeof(TakesScope), TakesScope.Wiring.Check),
        new("JV503", typeof(BranchNotSeen), InBranch),
        new("JV504", typeof(AcceptsNothing), AcceptsNothing.Wiring.Check),
        new("JV505", typeof(Absent), Absent.Wiring.Check),
        new("JV506", typeof(NotFresh), NotFresh.Wiring.Check),
        new("JV507", typeof(Undecorated), Undecorated.Wiring.Check),
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
        string folder = Directory.CreateDirectory(Path.Combine(AppContext.BaseDirectory, "plugins")).FullName;
        try
        {
            return PluginSkipped.In(folder).Check();
        }
        finally
        {
            Directory.Delete(folder, recursive: true);
        }
    }

    private static CheckReport AtDisposal()
    {
        List<CheckReport> reports = [];
        NotWarmedUp.UseAndDispose(reports.Add);
        return reports[^1];
    }

    private static CheckReport InBranch()
    {
        using Container office = BranchNotSeen.Office.Build();
        using Container branch = BranchNotSeen.Branch(office);
        return branch.Report;
    }
}
