using Junctivor.Generators.Checking;
using Junctivor.Generators.Following;
using Junctivor.Generators.Leaving;
using Junctivor.Generators.Symbols;
using Junctivor.Graph;
using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Native;

/// <summary>What the wirings and requests of a program lead to, and a natively compiled program has code for only if it is compiled
/// in.</summary>
internal sealed class NativeNeeds
{
    private readonly OrderedTypes _classes = new();
    private readonly OrderedTypes _elements = new();
    private readonly OrderedTypes _functions = new();

    /// <summary>The classes that are constructed.</summary>
    public IReadOnlyList<INamedTypeSymbol> Classes => [.. _classes.All.OfType<INamedTypeSymbol>()];

    /// <summary>The structs of which lists, <c>Lazy</c> and their like are injected.</summary>
    public IReadOnlyList<ITypeSymbol> Elements => _elements.All;

    /// <summary>The functions with arguments.</summary>
    public IReadOnlyList<INamedTypeSymbol> Functions => [.. _functions.All.OfType<INamedTypeSymbol>()];

    /// <summary>Reads the wirings that are complete in a program, and what the program requires.</summary>
    public static NativeNeeds Of(Compilation compilation, CancellationToken cancellationToken)
    {
        NativeNeeds needs = new();
        LeftBehind left = new(compilation);
        IReadOnlyList<SourceRequest> requests =
        [
            .. SourceRequests.In(compilation, cancellationToken),
            .. from handler in new EndpointHandlers(new SourceModels(compilation), cancellationToken).All
               from service in handler.Services.Concat(handler.Possible)
               where !SymbolType.IsOpenType(service.Type)
               select new SourceRequest(service.Type, service.Mark, IsConstructed: false),
        ];
        foreach (IReadOnlyList<WiringEntry> entries in EntriesIn(compilation, left, cancellationToken))
        {
            foreach (IReadOnlyDictionary<object, bool> outcome in RootChecker.SomeOutcomes(entries))
            {
                cancellationToken.ThrowIfCancellationRequested();
                needs.Add(SymbolReader.Open(Edition.Of(compilation), left, RootChecker.Holding(entries, outcome)), requests);
            }
        }

        return needs;
    }

    private static IEnumerable<IReadOnlyList<WiringEntry>> EntriesIn(
        Compilation compilation, LeftBehind left, CancellationToken cancellationToken)
    {
        SourceModels models = new(compilation);
        WiringFollower follower = new(models, left, null, cancellationToken);
        foreach ((_, Func<IReadOnlyList<WiringEntry>> follow) in new WiringRoots(models, cancellationToken).Find(follower))
        {
            IReadOnlyList<WiringEntry> entries;
            try
            {
                entries = follow();
            }
            catch (UnfollowableException)
            {
                continue;
            }

            yield return entries;
        }
    }

    private void Add(SymbolReader wiring, IReadOnlyList<SourceRequest> requests)
    {
        foreach (SourceRequest request in requests)
        {
            if (request.IsConstructed)
            {
                wiring.Builder.Add(wiring.ReadUnregistered(wiring.Types[request.Type]));
            }
            else
            {
                Add(wiring.Builder.Bind(new ServiceId(wiring.Types[request.Type], wiring.Types.MarkOf(request.Mark))));
            }
        }

        foreach (Node node in wiring.Builder.Graph.Nodes)
        {
            if (node.Kind == NodeKind.Class)
            {
                _classes.Add(SymbolCatalog.SymbolOf(node.Implementation));
            }

            foreach (Binding binding in node.Bindings ?? [])
            {
                Add(binding);
            }
        }
    }

    private void Add(Binding binding)
    {
        foreach (Binding each in binding.All())
        {
            if (each is Binding.Deferred { Form.TakesArguments: true } function)
            {
                _functions.Add(SymbolCatalog.SymbolOf(function.Wrapper));
            }
            else if (ElementOf(each) is { IsValueType: true } element)
            {
                _elements.Add(SymbolCatalog.SymbolOf(element));
            }
        }
    }

    private static TypeRef? ElementOf(Binding binding) => binding switch
    {
        Binding.Deferred deferred => deferred.Wanted,
        Binding.Many many => many.Element.Type,
        Binding.Keyed keyed => keyed.Element.Type,
        _ => null,
    };

    /// <summary>Types, each once, in the order in which they were found.</summary>
    private sealed class OrderedTypes
    {
        private readonly HashSet<ITypeSymbol> _known = new(SymbolEqualityComparer.Default);

        public List<ITypeSymbol> All { get; } = [];

        public void Add(ITypeSymbol type)
        {
            if (!SymbolType.IsOpenType(type) && _known.Add(type))
            {
                All.Add(type);
            }
        }
    }
}
