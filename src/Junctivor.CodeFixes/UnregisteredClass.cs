using Junctivor.Checks;
using Junctivor.Generators.Following;
using Junctivor.Generators.Leaving;
using Junctivor.Graph;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CodeActions;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace Junctivor.CodeFixes;

/// <summary>Registers a class that no wiring of the project registers: behind the last registration of a wiring, with a lifetime.</summary>
internal static class UnregisteredClass
{
    /// <summary>As many are offered.</summary>
    public const int MostWirings = 3;

    private static readonly string[] Lifetimes = ["Scoped", "Transient", "Singleton"];

    public static IEnumerable<CodeAction> Offer(
        Project project, CSharpCompilation compilation, TypeDeclarationSyntax declaration, CancellationToken cancellationToken)
    {
        if (compilation.GetSemanticModel(declaration.SyntaxTree).GetDeclaredSymbol(declaration, cancellationToken) is not
            { TypeKind: TypeKind.Class, IsAbstract: false, IsStatic: false, IsGenericType: false } type)
        {
            return [];
        }

        IReadOnlyList<(ISymbol Member, IReadOnlyList<WiringEntry> Entries)> wirings = [.. WiringsOf(compilation, cancellationToken)];
        return wirings.Any(wiring => wiring.Entries.Any(entry => Constructs(entry, type)))
            ? []
            : wirings.Where(wiring => wiring.Entries.Count > 0).Take(MostWirings)
                .Select(wiring => Offer(project, wiring.Member, wiring.Entries[^1].Registration, type));
    }

    private static CodeAction Offer(Project project, ISymbol wiring, WrittenRegistration last, INamedTypeSymbol type)
    {
        string name = $"{wiring.ContainingType.Name}.{wiring.Name}";
        string types = ServiceOf(type) is { } service ? $"{Shown(service)}, {Shown(type)}" : Shown(type);
        return CodeAction.Create(
            $"Register {type.Name} in {name}",
            [
                .. Lifetimes.Select(lifetime => CodeAction.Create(
                    $"{lifetime}.Of<{types}>()",
                    stop => Editor.MakeAsync(project, Adding($"{lifetime}.Of<{types}>()", last.Place), stop),
                    $"register {lifetime} {name}")),
            ],
            isInlinable: false);
    }

    /// <summary>The fix that adds a registration behind another.</summary>
    public static Fix Adding(string registration, SourcePlace behind) => new(
        "register it",
        registration,
        new SourceEdit(SourceEditKind.AddRegistration, registration) { File = behind.File, Line = behind.Line });

    /// <summary>The one interface of the source that it implements; null if there is none, or several.</summary>
    private static INamedTypeSymbol? ServiceOf(INamedTypeSymbol type)
    {
        List<INamedTypeSymbol> own = [.. type.Interfaces.Where(each => each.Locations.Any(location => location.IsInSource))];
        return own is [INamedTypeSymbol only] ? only : null;
    }

    /// <summary>A type, as a registration names it.</summary>
    public static string Shown(INamedTypeSymbol type) => type.ToDisplayString(SymbolDisplayFormat.CSharpShortErrorMessageFormat);

    /// <summary>Whether an entry constructs a class.</summary>
    public static bool Constructs(WiringEntry entry, INamedTypeSymbol type) =>
        entry.Registration.Kind == NodeKind.Class && SymbolEqualityComparer.Default.Equals(entry.Registration.Implementation, type);

    /// <summary>The wirings that can be followed, those with <c>[CheckedWiring]</c> first.</summary>
    public static IEnumerable<(ISymbol Member, IReadOnlyList<WiringEntry> Entries)> WiringsOf(
        CSharpCompilation compilation, CancellationToken cancellationToken) =>
        from tree in compilation.SyntaxTrees
        let model = compilation.GetSemanticModel(tree)
        from node in tree.GetRoot(cancellationToken).DescendantNodes().Where(LeftMembers.IsCandidate)
        let member = model.GetDeclaredSymbol(node, cancellationToken)
        where member is { IsStatic: true }
        let entries = EntriesOf(member, node, compilation, cancellationToken)
        where entries is not null
        orderby member.GetAttributes().Length == 0
        select (member, entries);

    private static IReadOnlyList<WiringEntry>? EntriesOf(
        ISymbol member, SyntaxNode node, CSharpCompilation compilation, CancellationToken cancellationToken)
    {
        try
        {
            return new WiringFollower(compilation, new LeftBehind(compilation), cancellationToken).FollowMember(member, node.GetLocation());
        }
        catch (UnfollowableException)
        {
            return null;
        }
    }
}
