using Junctivor.Checks;
using Junctivor.Generators.Following;
using Junctivor.Generators.Symbols;
using Junctivor.Graph;
using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Checking;

/// <summary>
/// Finds where a fault is shown: at the words that must change, otherwise at the first registration that it names. A method that registers
/// several services writes all of them in one place; then the fault is shown at the call that tells them apart.
/// </summary>
/// <param name="entries">The entries of the wiring.</param>
/// <param name="edition">The source.</param>
internal sealed class RegistrationLocations(IReadOnlyList<WiringEntry> entries, Edition edition)
{
    private readonly ILookup<Location, WrittenRegistration> _byLocation =
        entries.Select(entry => entry.Registration).Distinct().ToLookup(registration => registration.Location);

    /// <summary>The location; null if no registration of the wiring has part in the fault.</summary>
    public Location? Of(Fault fault) => OfSubject(fault.Subject) is { } words && IsHere(words)
        ? words
        : fault.Path.Select(step => Of(step.Node)).FirstOrDefault(location => location is not null);

    /// <summary>Another place that it is about: the registration that a second one is too many beside, or the registration of a class
    /// in which words must change. Null for other faults.</summary>
    public Location? OtherOf(Fault fault) => fault.Subject switch
    {
        FaultSubject.OfSecond { First: var first } => Of(first),
        FaultSubject.OfConstructor or FaultSubject.OfParameter { Node.Kind: NodeKind.Class } => Of(fault.Subject.Node),
        _ => null,
    } is { } location && IsHere(location)
        ? location
        : null;

    private bool IsHere(Location location) => location.SourceTree is { } tree && edition.Current.ContainsSyntaxTree(tree);

    private Location? OfSubject(FaultSubject? subject) => subject switch
    {
        FaultSubject.OfOption option => OfOption(option),
        FaultSubject.OfConstructor { Number: >= 0 and var number } =>
            ConstructorsOf(subject.Node).Skip(number).FirstOrDefault()?.Locations.FirstOrDefault(),
        FaultSubject.OfParameter { Name: var name } => OfParameter(subject.Node, name),
        FaultSubject.OfSecond second => Of(second.Node),
        _ => null,
    };

    private static Location? OfOption(FaultSubject.OfOption subject) => SymbolReader.WrittenOf(subject.Node)?.Written
        .Where(written => written.Name == subject.Option && (subject.Naming is null || written.Text.Contains(subject.Naming)))
        .Skip(subject.Number)
        .FirstOrDefault()?.Location;

    private Location? OfParameter(Node node, string name) => SymbolReader.WrittenOf(node) is { Factory: { } factory }
        ? factory.Parameters.FirstOrDefault(parameter => parameter.Name == name)?.Location
        : ConstructorsOf(node).SelectMany(constructor => constructor.Parameters)
            .Where(parameter => parameter.Name == name)
            .Select(WrittenParameter.DeclarationOf)
            .FirstOrDefault();

    private IEnumerable<IMethodSymbol> ConstructorsOf(Node node) =>
        node.Kind == NodeKind.Class
            ? SymbolType.PublicConstructors(edition.WithMembers(SymbolCatalog.SymbolOf(node.Implementation)))
            : [];

    private Location? Of(Node? node) => SymbolReader.WrittenOf(node) is { } registration ? Of(registration) : SymbolReader.LocationOf(node);

    private Location Of(WrittenRegistration registration)
    {
        IReadOnlyList<WrittenRegistration> others =
            [.. _byLocation[registration.Location].Where(other => other != registration)];
        return others.Count == 0
            ? registration.Location
            : registration.Calls.FirstOrDefault(call => !others.All(other => other.Calls.Contains(call))) ?? registration.Location;
    }
}
