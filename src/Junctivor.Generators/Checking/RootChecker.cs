using Junctivor.Checks;
using Junctivor.Generators.Following;
using Junctivor.Generators.Leaving;
using Junctivor.Generators.Symbols;
using Junctivor.Graph;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace Junctivor.Generators.Checking;

/// <summary>Checks a wiring that has been followed, by the rules that check it at startup.</summary>
/// <param name="edition">The source.</param>
/// <param name="left">What other assemblies left behind.</param>
/// <param name="cancellationToken">Ends it.</param>
internal sealed class RootChecker(Edition edition, LeftBehind left, CancellationToken cancellationToken)
{
    /// <summary>Each way in which this many conditions can come out is checked. Where a wiring has more, that is done for those that a
    /// fault can depend on.</summary>
    public const int MostFlags = 5;

    /// <summary>The report of a wiring whose conditions come out in one way.</summary>
    private CheckReport Report(
        IReadOnlyList<WiringEntry> entries,
        IReadOnlyDictionary<object, bool> flags,
        IReadOnlyList<WrittenHandler> handlers,
        WrittenSeverities severities)
    {
        cancellationToken.ThrowIfCancellationRequested();
        SymbolReader reader = SymbolReader.Open(edition, left, Holding(entries, flags));
        IReadOnlyList<Node> added = [.. handlers.Where(handler => IsMapped(handler, entries, flags)).Select(reader.Read)];
        foreach (Node handler in added)
        {
            reader.Builder.Add(handler);
        }

        ServiceGraph graph = reader.Builder.Graph;
        IEnumerable<Fault> found = Checker.Inspect(graph);
        return new SeverityPolicy(graph, severities.ByCode, severities.WarningsAreErrors)
            .Apply([.. added.Count == 0 ? found : WithoutGuesses(found, [.. added])]);
    }

    /// <summary>Whether an endpoint is mapped: that of a module, if the wiring has the class.</summary>
    private bool IsMapped(
        WrittenHandler handler, IReadOnlyList<WiringEntry> entries, IReadOnlyDictionary<object, bool> flags) =>
        handler.Contributor is not { } contributor
        || Holding(entries, flags).Any(held => held.IsEnabled
            && SymbolEqualityComparer.Default.Equals(
                edition.InFirst(held.Registration.Implementation), edition.InFirst(contributor)));

    /// <summary>What a handler takes is used. Of handlers is said what holds in any scope: in which it is called, nobody knows
    /// here.</summary>
    private static IEnumerable<Fault> WithoutGuesses(IEnumerable<Fault> found, HashSet<Node> handlers)
    {
        HashSet<Node> used = [.. ServiceGraph.ReachableFrom(handlers).Select(node => node.Registration)];
        return found.Where(fault => fault.Kind == FaultKind.Unreachable
            ? !fault.Path.Any(step => step.Node is { } node && used.Contains(node.Registration))
            : fault.Kind == FaultKind.Missing
                || fault.Kind == FaultKind.Ambiguous
                || fault.Kind == FaultKind.GenericConstraint
                || !fault.Path.Any(step => step.Node is { } node && handlers.Contains(node)));
    }

    /// <summary>What is wrong with a wiring however its conditions come out.</summary>
    /// <param name="wiring">The wiring.</param>
    public CheckedRoot Check(ReadWiring wiring)
    {
        bool isMarked = wiring.Place is MemberDeclarationSyntax;
        try
        {
            IReadOnlyList<LocatedFault> faults = wiring.Entries is { } entries
                ? FaultsOf(entries, wiring.Location, wiring.Handlers, wiring.Severities)
                : [];
            return new CheckedRoot(wiring.Location, faults, wiring.Unfollowed, isMarked) { IsBroken = wiring.IsBroken };
        }
        catch (UnfollowableException unknown)
        {
            return new CheckedRoot(wiring.Location, [], unknown, isMarked);
        }
    }

    private IReadOnlyList<LocatedFault> FaultsOf(
        IReadOnlyList<WiringEntry> entries, Location root, IReadOnlyList<WrittenHandler> handlers, WrittenSeverities severities)
    {
        IReadOnlyList<object> flags = [.. entries.SelectMany(entry => entry.Flags).Distinct()];
        IReadOnlyList<Fault> ReportOf(IReadOnlyDictionary<object, bool> outcome) => Report(entries, outcome, handlers, severities).All;
        IReadOnlyList<Fault> always = flags.Count <= MostFlags
            ? InAll(null, Outcomes(flags), ReportOf)
            : InAllOfMany(entries, flags, ReportOf, root);
        RegistrationLocations locations = new(entries, edition);
        return
        [
            .. always.Select(fault =>
                new LocatedFault(severities.Applied(fault), locations.Of(fault) ?? root, locations.OtherOf(fault))),
        ];
    }

    /// <summary>The faults that are there in each of some outcomes.</summary>
    /// <param name="first">Those that are known to be there in others; null to begin.</param>
    /// <param name="outcomes">The outcomes.</param>
    /// <param name="report">Checks one.</param>
    private static IReadOnlyList<Fault> InAll(
        IReadOnlyList<Fault>? first,
        IEnumerable<IReadOnlyDictionary<object, bool>> outcomes,
        Func<IReadOnlyDictionary<object, bool>, IReadOnlyList<Fault>> report)
    {
        foreach (IReadOnlyDictionary<object, bool> outcome in outcomes)
        {
            if (first is { Count: 0 })
            {
                break;
            }

            IReadOnlyList<Fault> found = report(outcome);
            first = first is null ? found : [.. first.Select(fault => InBoth(fault, found)).OfType<Fault>()];
        }

        return first ?? [];
    }

    /// <summary>The faults of a wiring with many conditions: those that are there if all hold, if none does, and if one is the other way
    /// round, and then in each combination of the conditions that they can depend on.</summary>
    private static List<Fault> InAllOfMany(
        IReadOnlyList<WiringEntry> entries,
        IReadOnlyList<object> flags,
        Func<IReadOnlyDictionary<object, bool>, IReadOnlyList<Fault>> report,
        Location root)
    {
        IReadOnlyList<Fault> candidates = InAll(
            null,
            ((IEnumerable<bool>)[true, false]).Select(all => flags.ToDictionary(flag => flag, _ => all)),
            report);
        candidates = InAll(candidates, flags.Select(other => flags.ToDictionary(flag => flag, flag => flag != other)), report);
        RelevantConditions conditions = new(entries);
        List<Fault> always = [];
        foreach (Fault candidate in candidates)
        {
            IReadOnlyList<object> relevant = conditions.Of(candidate);
            if (relevant.Count > MostFlags)
            {
                throw new UnfollowableException(
                    $"it depends on {relevant.Count} conditions whether it has {candidate.Kind.Code}, and at most {MostFlags} are tried in "
                        + "every combination",
                    root,
                    Obstacle.Size);
            }

            always.AddRange(InAll([candidate], Outcomes(relevant).Select(outcome => flags.ToDictionary(
                flag => flag, flag => !outcome.TryGetValue(flag, out bool holds) || holds)), report));
        }

        return always;
    }

    /// <summary>The registrations that are in a wiring where its conditions come out so, and whether they count.</summary>
    public static IEnumerable<(WrittenRegistration Registration, bool IsEnabled)> Holding(
        IReadOnlyList<WiringEntry> entries, IReadOnlyDictionary<object, bool> flags) =>
        entries.Where(entry => entry.Holds(flags)).Select(entry => (entry.Registration, entry.IsEnabled(flags)));

    /// <summary>Every way in which the conditions of a wiring can come out; where these are too many, that all hold, and that none
    /// does.</summary>
    public static IEnumerable<IReadOnlyDictionary<object, bool>> SomeOutcomes(IReadOnlyList<WiringEntry> entries)
    {
        IReadOnlyList<object> flags = [.. entries.SelectMany(entry => entry.Flags).Distinct()];
        return flags.Count <= MostFlags
            ? Outcomes(flags)
            : [flags.ToDictionary(flag => flag, _ => true), flags.ToDictionary(flag => flag, _ => false)];
    }

    /// <summary>What is true of a fault also in another outcome; null if it is not there.</summary>
    private static Fault? InBoth(Fault fault, IReadOnlyList<Fault> outcome) =>
        outcome.FirstOrDefault(other => other.Kind == fault.Kind && other.Summary == fault.Summary) is { } same
            ? fault with
            {
                Remarks = [.. fault.Remarks.Where(same.Remarks.Contains)],
                Fixes = [.. fault.Fixes.Where(same.Fixes.Contains)],
            }
            : null;

    /// <summary>Every way in which flags can come out, all of them true first.</summary>
    private static IEnumerable<IReadOnlyDictionary<object, bool>> Outcomes(IReadOnlyList<object> flags)
    {
        for (int outcome = 0; outcome < 1 << flags.Count; outcome++)
        {
            int bits = outcome;
            yield return flags.Select((flag, number) => (Flag: flag, IsTrue: (bits & (1 << number)) == 0))
                .ToDictionary(each => each.Flag, each => each.IsTrue);
        }
    }
}
