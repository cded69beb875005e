using System.Runtime.CompilerServices;
using Junctivor.Generators.Following;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp.Syntax;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Checking;

/// <summary>Finds the wirings of a program that are complete: those that are built, and those with <c>[CheckedWiring]</c>.</summary>
/// <param name="models">The source.</param>
/// <param name="cancellationToken">Ends it.</param>
internal sealed class WiringRoots(SourceModels models, CancellationToken cancellationToken)
{
    private const string Build = "Build";
    private const string Marking = "CheckedWiring";

    /// <summary>What in a file could be one, by its text alone: read once for each text of a file.</summary>
    private static readonly ConditionalWeakTable<SyntaxTree, IReadOnlyList<SyntaxNode>> Candidates = new();

    /// <summary>The names that tell that something in a file could be one.</summary>
    private static readonly string[] CandidateNames = [Build, Marking, $"{Marking}Attribute"];

    /// <summary>Checks all that a program has.</summary>
    public static IReadOnlyList<CheckedRoot> CheckAll(Compilation compilation, CancellationToken cancellationToken) =>
        ReadProject.Read(compilation, cancellationToken).Check(cancellationToken).Roots;

    /// <summary>The names and files that tell where wirings are.</summary>
    public SourceDependencies Dependencies
    {
        get
        {
            SourceDependencies read = new();
            foreach (SyntaxTree file in models.Compilation.SyntaxTrees.Where(tree => CandidatesIn(tree).Count > 0))
            {
                read.Add(file);
            }

            foreach (string name in CandidateNames)
            {
                read.Add(name);
            }

            return read;
        }
    }

    /// <summary>Where each of them is, and how to follow it.</summary>
    /// <param name="follower">Follows them.</param>
    public IEnumerable<(SyntaxNode Place, Func<IReadOnlyList<WiringEntry>> Follow)> Find(WiringFollower follower)
    {
        SourceMembers members = new(models, cancellationToken);
        return
            from candidate in models.Compilation.SyntaxTrees.SelectMany(CandidatesIn)
            let follow = EntriesOf(candidate, follower, members)
            where follow is not null
            select (candidate, follow);
    }

    /// <summary>Where a diagnostic stands that is about a whole wiring.</summary>
    public static Location LocationOf(SyntaxNode place) => (NameOf(place) ?? place).GetLocation();

    /// <summary>How to follow a candidate; null if it is none.</summary>
    private static Func<IReadOnlyList<WiringEntry>>? EntriesOf(SyntaxNode candidate, WiringFollower follower, SourceMembers members)
    {
        if (candidate is MemberDeclarationSyntax)
        {
            return members.DeclaredBy(candidate) is { } member && IsChecked(member)
                ? () => follower.FollowMember(member, candidate.GetLocation())
                : null;
        }

        return BuiltBy(members.OperationOf(candidate)) is { } wiring ? () => follower.Follow(wiring) : null;
    }

    /// <summary>Whether a member has <c>[CheckedWiring]</c>.</summary>
    public static bool IsChecked(ISymbol member) => member.GetAttributes()
        .Any(attribute => Following.Operations.IsOf(attribute.AttributeClass, "Junctivor.CheckedWiringAttribute"));

    /// <summary>The wiring that a call or method group builds; null for another operation.</summary>
    public static IOperation? BuiltBy(IOperation? operation) => operation switch
    {
        IInvocationOperation { TargetMethod: { Name: Build } method, Instance: { } wiring } when IsOfWiring(method) => wiring,
        IMethodReferenceOperation { Method: { Name: Build } method, Instance: { } wiring } when IsOfWiring(method) => wiring,
        _ => null,
    };

    private static bool IsOfWiring(IMethodSymbol method) => Following.Operations.IsOf(method.ContainingType, "Junctivor.Wiring");

    private IReadOnlyList<SyntaxNode> CandidatesIn(SyntaxTree tree)
    {
        if (!Candidates.TryGetValue(tree, out IReadOnlyList<SyntaxNode>? known))
        {
            known = [.. tree.GetRoot(cancellationToken).DescendantNodes().Where(IsCandidate)];
            known = Candidates.GetValue(tree, _ => known);
        }

        return known;
    }

    /// <summary>Whether it could build a wiring, by its text alone.</summary>
    public static bool MayBuild(SyntaxNode node) =>
        node is InvocationExpressionSyntax or MemberAccessExpressionSyntax { Parent: not InvocationExpressionSyntax }
        && NameOf(node)?.Identifier.ValueText == Build;

    private static bool IsCandidate(SyntaxNode node) => node switch
    {
        _ when MayBuild(node) => true,
        PropertyDeclarationSyntax property => IsMarked(property.AttributeLists),
        MethodDeclarationSyntax method => IsMarked(method.AttributeLists),
        _ => false,
    };

    /// <summary>The name of the method that is called, or named as a method group; null for another expression.</summary>
    public static SimpleNameSyntax? NameOf(SyntaxNode node) => node switch
    {
        InvocationExpressionSyntax call => NameOf(call.Expression),
        MemberAccessExpressionSyntax access => access.Name,
        MemberBindingExpressionSyntax binding => binding.Name,
        _ => null,
    };

    private static bool IsMarked(SyntaxList<AttributeListSyntax> lists) =>
        lists.Any(list => list.Attributes.Any(attribute => attribute.Name.ToString().Contains(Marking)));
}
