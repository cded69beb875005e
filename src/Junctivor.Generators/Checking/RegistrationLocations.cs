using Junctivor.Checks;
using Junctivor.Generators.Following;
using Junctivor.Generators.Symbols;
using Junctivor.Graph;
using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Checking;

/// <summary>
/// Finds where a fault is shown: at the first registration that it names. A method that registers several services writes all of them in
/// one place; then the fault is shown at the call that tells them apart.
/// </summary>
/// <param name="entries">The entries of the wiring.</param>
internal sealed class RegistrationLocations(IReadOnlyList<WiringEntry> entries)
{
    private readonly ILookup<Location, WrittenRegistration> _byLocation =
        entries.Select(entry => entry.Registration).Distinct().ToLookup(registration => registration.Location);

    /// <summary>The location; null if no registration of the wiring has part in the fault.</summary>
    public Location? Of(Fault fault) => fault.Path.Select(step => Of(step.Node)).FirstOrDefault(location => location is not null);

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
