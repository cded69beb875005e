using Junctivor.Checks;
using Junctivor.Generators.Following;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CodeActions;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;
using Microsoft.CodeAnalysis.Operations;
using Microsoft.CodeAnalysis.Text;

namespace Junctivor.CodeFixes;

/// <summary>Resolves a class that code constructs beside a container, and registers it where no wiring does: a wiring must provide all that
/// it is constructed with.</summary>
internal static class ResolvedInstead
{
    /// <summary>As <c>new</c> does, a transient gives a new one each time; so it comes first.</summary>
    private static readonly string[] Lifetimes = ["Transient", "Scoped", "Singleton"];

    /// <summary>The container or scope that code at a place has in a variable; null if there is none.</summary>
    public static string? ContainerAt(SemanticModel model, int position) => model.LookupSymbols(position)
        .Where(symbol => symbol is not ILocalSymbol local || local.DeclaringSyntaxReferences[0].Span.End < position)
        .Select(symbol => (symbol.Name, Type: symbol switch
        {
            ILocalSymbol local => local.Type,
            IParameterSymbol parameter => parameter.Type,
            IFieldSymbol field => field.Type,
            IPropertySymbol property => property.Type,
            _ => null,
        }))
        .Where(each => Operations.IsOf(each.Type, "Junctivor.Scope") || Operations.IsOf(each.Type, "Junctivor.Container"))
        .OrderBy(each => Operations.IsOf(each.Type, "Junctivor.Container"))
        .Select(each => each.Name)
        .FirstOrDefault();

    public static IEnumerable<CodeAction> Offer(
        Document document,
        CSharpCompilation compilation,
        BaseObjectCreationExpressionSyntax creation,
        string container,
        CancellationToken cancellationToken)
    {
        SemanticModel model = compilation.GetSemanticModel(creation.SyntaxTree);
        if (model.GetOperation(creation, cancellationToken) is not IObjectCreationOperation { Initializer: null } operation
            || operation.Type is not INamedTypeSymbol { TypeKind: TypeKind.Class, IsGenericType: false } type
            || !type.Locations.Any(location => location.IsInSource))
        {
            return [];
        }

        TextChange change = new(creation.Span, $"{container}.Resolve<{type.ToMinimalDisplayString(model, creation.SpanStart)}>()");
        IReadOnlyList<(ISymbol Member, IReadOnlyList<WiringEntry> Entries)> able =
        [
            .. UnregisteredClass.WiringsOf(compilation, cancellationToken)
                .Where(wiring => wiring.Entries.Count > 0 && ProvidesAll(wiring.Entries, operation)),
        ];
        return able.Any(wiring => wiring.Entries.Any(entry => Provides(entry, type)))
            ? [CodeAction.Create($"Resolve it: {change.NewText}", stop => WithAsync(document, change, null, stop), "resolve")]
            : able.Take(UnregisteredClass.MostWirings).Select(wiring => Offer(document, wiring, type, change));
    }

    private static CodeAction Offer(
        Document document, (ISymbol Member, IReadOnlyList<WiringEntry> Entries) wiring, INamedTypeSymbol type, TextChange change)
    {
        string name = $"{wiring.Member.ContainingType.Name}.{wiring.Member.Name}";
        return CodeAction.Create(
            $"Register {type.Name} in {name}, and resolve it",
            [
                .. from lifetime in Lifetimes
                   let registration = $"{lifetime}.Of<{UnregisteredClass.Shown(type)}>()"
                   let fix = UnregisteredClass.Adding(registration, wiring.Entries[^1].Registration.Place)
                   select CodeAction.Create(
                       registration, stop => WithAsync(document, change, fix, stop), $"resolve {registration} {name}"),
            ],
            isInlinable: false);
    }

    /// <summary>The registration is added in the same document or in another; both changes are of the source as it was.</summary>
    private static async Task<Solution> WithAsync(
        Document document, TextChange change, Fix? registration, CancellationToken cancellationToken)
    {
        Solution solution = registration is null
            ? document.Project.Solution
            : await Editor.MakeAsync(document.Project, registration, cancellationToken).ConfigureAwait(false);
        SourceText before = await document.GetTextAsync(cancellationToken).ConfigureAwait(false);
        SourceText after = await solution.GetDocument(document.Id)!.GetTextAsync(cancellationToken).ConfigureAwait(false);
        return solution.WithDocumentText(
            document.Id, before.WithChanges(after.GetTextChanges(before).Append(change).OrderBy(each => each.Span.Start)));
    }

    private static bool ProvidesAll(IReadOnlyList<WiringEntry> entries, IObjectCreationOperation creation) =>
        creation.Arguments.Where(argument => argument.ArgumentKind == ArgumentKind.Explicit)
            .All(argument => entries.Any(entry => Provides(entry, argument.Parameter!.Type)));

    private static bool Provides(WiringEntry entry, ITypeSymbol service) =>
        entry.Registration is { Mark: null, IsDecorator: false, OnlyFor: null } registration
        && registration.AlsoServes.Prepend(registration.Service).Any(each => SymbolEqualityComparer.Default.Equals(each, service));
}
