using Junctivor.Generators.Following;
using Junctivor.Generators.Leaving;
using Junctivor.Generators.Symbols;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace Junctivor.Generators.Checking;

/// <summary>
/// A project whose wirings have been followed. A later state of it, with the same types, is checked with what was read before, as far as
/// the edits leave it as it is: decision 18 says how. Safe for use by several threads.
/// </summary>
internal sealed class ReadProject
{
    /// <summary>So many files are edited before everything is read again.</summary>
    private const int MostEdits = 16;

    private readonly Lock _gate = new();
    private readonly Compilation _compilation;
    private readonly Edition _edition;
    private readonly LeftBehind _left;
    private readonly SharedModules _modules;
    private readonly IReadOnlyList<ReadWiring> _wirings;
    private readonly SourceDependencies _followed;
    private readonly SourceDependencies _handled;
    private readonly Dictionary<SyntaxTree, HashSet<string>> _constructed = [];

    private ReadProject(Compilation compilation, CancellationToken cancellationToken)
    {
        _compilation = compilation;
        _edition = Edition.Of(compilation);
        _left = new LeftBehind(compilation);
        _modules = new SharedModules(_left);
        SourceModels models = new(compilation);
        (_wirings, _followed) = Follow(models, _modules, cancellationToken);
        (_wirings, _handled) = WithHandlers(_wirings, models, cancellationToken);
    }

    /// <summary>Reads a project.</summary>
    public static ReadProject Read(Compilation compilation, CancellationToken cancellationToken) => new(compilation, cancellationToken);

    /// <summary>Checks its wirings.</summary>
    public CheckedProject Check(CancellationToken cancellationToken)
    {
        lock (_gate)
        {
            return new CheckedProject(Check(_wirings, _edition, cancellationToken), DependenciesAfter([]));
        }
    }

    /// <summary>Checks its wirings in a later state; null if that must be read anew.</summary>
    /// <param name="later">The later state.</param>
    /// <param name="cancellationToken">Ends it.</param>
    public CheckedProject? CheckLater(Compilation later, CancellationToken cancellationToken)
    {
        if (CompilationFiles.Of(_compilation).EditsTo(CompilationFiles.Of(later)) is not { } edits || !CanFollow(edits))
        {
            return null;
        }

        lock (_gate)
        {
            try
            {
                return CheckLater(later, edits, cancellationToken);
            }
            catch (NotSupportedException)
            {
                // A type that has no name cannot be found in the other state.
                return null;
            }
        }
    }

    private CheckedProject? CheckLater(Compilation later, SourceEdits edits, CancellationToken cancellationToken)
    {
        SourceModels models = new(later);
        SourceDependencies dependencies = DependenciesAfter(edits.Files);
        IReadOnlyList<ReadWiring> wirings = _wirings;
        bool isFollowed = edits.Affect(_followed);
        if (isFollowed)
        {
            (wirings, SourceDependencies followed) = Follow(models, _modules.After(edits.Affect), cancellationToken);
            dependencies.Add(followed);
        }

        if (isFollowed || edits.Affect(_handled))
        {
            (wirings, SourceDependencies handled) = WithHandlers(wirings, models, cancellationToken);
            dependencies.Add(handled);
        }

        Edition edition = _edition.After(later, edits.Files.Select(file => file.Before));
        return wirings.Any(wiring => wiring.Flags > RootChecker.MostFlags)
            ? null
            : new CheckedProject(Check(wirings, edition, cancellationToken), dependencies);
    }

    /// <summary>Whether edits leave the meaning of all code that was followed, and is not followed again.</summary>
    private bool CanFollow(SourceEdits edits)
    {
        if (edits.Files.Count > MostEdits)
        {
            return false;
        }

        HashSet<string> changed = [];
        HashSet<string> constructed = [];
        foreach ((SyntaxTree before, SyntaxTree after) in edits.Files)
        {
            if (FileDeclarations.Of(before).MembersChangedIn(FileDeclarations.Of(after)) is not { } members)
            {
                return false;
            }

            changed.UnionWith(members.Where(member => !member.IsConstructor).Select(member => member.Name));
            constructed.UnionWith(members.Where(member => member.IsConstructor).Select(member => member.Name));
        }

        return !(edits.Affect(_handled) ? _followed.Files : _followed.Files.Concat(_handled.Files))
            .Except(edits.Files.Select(file => file.Before))
            .Any(file => SourceEdits.AnyIn(file, changed) || (constructed.Count > 0 && constructed.Overlaps(ConstructedIn(file))));
    }

    /// <summary>The names of the classes whose constructors a file calls.</summary>
    [System.Diagnostics.CodeAnalysis.SuppressMessage("MicrosoftCodeAnalysisPerformance", "RS1030", Justification =
        "Once for each file, and only after an edit of a constructor.")]
    private HashSet<string> ConstructedIn(SyntaxTree file)
    {
        lock (_gate)
        {
            if (!_constructed.TryGetValue(file, out HashSet<string>? known))
            {
                SemanticModel model = _compilation.GetSemanticModel(file);
                known =
                [
                    .. file.GetRoot().DescendantNodes().OfType<BaseObjectCreationExpressionSyntax>()
                        .Select(creation => model.GetTypeInfo(creation).Type?.Name)
                        .OfType<string>(),
                ];
                _constructed.Add(file, known);
            }

            return known;
        }
    }

    /// <summary>What was read, with the edited files as they are now.</summary>
    private SourceDependencies DependenciesAfter(IReadOnlyList<(SyntaxTree Before, SyntaxTree After)> edits)
    {
        SourceDependencies dependencies = new();
        dependencies.Add(_followed);
        dependencies.Add(_handled);
        foreach ((_, SyntaxTree after) in edits)
        {
            dependencies.Add(after);
        }

        return dependencies;
    }

    private static (IReadOnlyList<ReadWiring> Wirings, SourceDependencies Read) Follow(
        SourceModels models, SharedModules modules, CancellationToken cancellationToken)
    {
        SourceMembers members = new(models, cancellationToken);
        SeverityReader severities = new(members);
        WiringRoots roots = new(models, cancellationToken);
        WiringFollower follower = new(models, modules.Left, modules, cancellationToken);
        IReadOnlyList<ReadWiring> wirings = [.. roots.Find(follower).Select(root => Follow(root.Place, root.Follow, members, severities))];
        SourceDependencies read = roots.Dependencies;
        read.Add(follower.Dependencies);
        read.Add(members.Dependencies);
        return (wirings, read);
    }

    private static ReadWiring Follow(
        SyntaxNode place, Func<IReadOnlyList<WiringEntry>> follow, SourceMembers members, SeverityReader severities)
    {
        ReadWiring wiring = new(place, WiringRoots.LocationOf(place), severities.Of(members.OperationOf(place)));
        try
        {
            return wiring with { Entries = follow() };
        }
        catch (UnfollowableException unknown)
        {
            return wiring with { Unfollowed = unknown, IsBroken = IsBroken(unknown.Location, members.Models) };
        }
    }

    /// <summary>Whether there is an error in the statement or member at a place.</summary>
    private static bool IsBroken(Location place, SourceModels models) =>
        place.SourceTree is { } tree
        && models.Compilation.ContainsSyntaxTree(tree)
        && tree.GetRoot().FindNode(place.SourceSpan).FirstAncestorOrSelf<SyntaxNode>(IsWhole) is { } whole
        && (whole.ContainsDiagnostics
            || models.Of(tree).GetDiagnostics(whole.Span).Any(found => found.Severity == DiagnosticSeverity.Error));

    private static bool IsWhole(SyntaxNode node) =>
        node is (StatementSyntax and not BlockSyntax) or (MemberDeclarationSyntax and not GlobalStatementSyntax);

    private static (IReadOnlyList<ReadWiring> Wirings, SourceDependencies Read) WithHandlers(
        IReadOnlyList<ReadWiring> wirings, SourceModels models, CancellationToken cancellationToken)
    {
        EndpointHandlers handlers = new(models, cancellationToken);
        return ([.. wirings.Select(wiring => wiring with { Handlers = handlers.Of(wiring.Place) })], handlers.Dependencies);
    }

    private IReadOnlyList<CheckedRoot> Check(IReadOnlyList<ReadWiring> wirings, Edition edition, CancellationToken cancellationToken)
    {
        RootChecker checker = new(edition, _left, cancellationToken);
        return [.. wirings.Select(checker.Check)];
    }
}
