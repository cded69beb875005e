using Junctivor.Graph;
using Junctivor.Reading;

namespace Junctivor.Runtime;

/// <summary>Takes from a host the values that a wiring declares.</summary>
internal static class HostValues
{
    /// <summary>The values as they are supplied, with those of a host in the place of the host.</summary>
    /// <param name="reader">The wiring, read.</param>
    /// <param name="incoming">What was supplied.</param>
    public static ReadOnlySpan<Incoming> Expand(WiringReader reader, ReadOnlySpan<Incoming> incoming)
    {
        foreach (Incoming? value in incoming)
        {
            if (value is { IsWholeHost: true })
            {
                return Expand(reader, incoming.ToArray());
            }
        }

        return incoming;
    }

    /// <summary>The values of a host for declarations that lack one.</summary>
    /// <param name="types">Knows the types of the declarations.</param>
    /// <param name="declarations">They are asked for in this order.</param>
    /// <param name="services">The host.</param>
    public static IEnumerable<Incoming> Of(TypeCatalog types, IEnumerable<Node> declarations, IServiceProvider services) =>
        declarations
            .Where(declaration => declaration is { Kind: NodeKind.Incoming, Mark: null } && declaration.Level == Level.Singleton)
            .Select(declaration => types[declaration.Services[0]])
            .Distinct()
            .Select(type => services.GetService(type) is { } value ? Incoming.ValueAs(type, value) : null)
            .OfType<Incoming>();

    private static Incoming[] Expand(WiringReader reader, Incoming[] incoming)
    {
        List<Incoming> all = [.. incoming.Where(value => !value.IsWholeHost)];
        foreach (Incoming host in incoming.Where(value => value.IsWholeHost))
        {
            HashSet<Type> supplied = [.. all.Where(value => value.Mark is null).Select(value => value.Service)];
            all.AddRange(Of(
                reader.Types,
                reader.Graph.Nodes.Where(node =>
                    !node.Has(RegistrationFlags.SuppliedLater) && !supplied.Contains(reader.Types[node.Services[0]])),
                (IServiceProvider)host.Content));
        }

        return [.. all];
    }
}
