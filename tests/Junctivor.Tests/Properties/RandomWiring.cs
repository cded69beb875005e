using CsCheck;

namespace Junctivor.Tests.Properties;

/// <summary>A random wiring without cycles: each node needs only nodes before it, and nothing that ends before it.</summary>
internal sealed class RandomWiring
{
    private static readonly Type[] Ids = [typeof(I0), typeof(I1), typeof(I2), typeof(I3), typeof(I4), typeof(I5), typeof(I6), typeof(I7),
        typeof(I8), typeof(I9)];

    private readonly List<RandomNode> _nodes = [];

    private RandomWiring(IEnumerable<(int Life, int Decorated, int[] Needs, int[] Forms)> drawn)
    {
        foreach ((int life, int decorated, int[] needs, int[] forms) in drawn)
        {
            Add((Life)life, decorated == 0, needs, forms);
        }
    }

    public static Gen<RandomWiring> Gen { get; } =
        CsCheck.Gen.Select(CsCheck.Gen.Int[0, 3], CsCheck.Gen.Int[0, 3], CsCheck.Gen.Int[0, 99].Array[3], CsCheck.Gen.Int[0, 7].Array[3])
            .Array[1, 10]
            .Select(drawn => new RandomWiring(drawn));

    /// <summary>The level around requests.</summary>
    public ScopeLevel Shift { get; } = new("shift");

    public IReadOnlyList<RandomNode> Nodes => _nodes;

    public Wiring ToWiring(Journal journal) => ToWiring(journal, _ => false);

    /// <param name="journal">Told what is created and ended.</param>
    /// <param name="isPlain">Of which nodes nobody sees that they are created.</param>
    public Wiring ToWiring(Journal journal, Func<int, bool> isPlain) =>
    [
        Singleton.Value(journal),
        Singleton.Value(7L),
        Singleton.Of<Nothing>(),
        .. _nodes.Select((node, number) => node.ToRegistration(Shift, isPlain(number))),
        .. _nodes.Select((node, number) => (node, number)).Where(each => each.node.IsDecorated).Select(each => Decorator.Of(
            each.node.Service, (isPlain(each.number) ? PlainParts.DecoratorDefinition : typeof(Wrapped<>)).MakeGenericType(each.node.Id))),
        .. _nodes.Select(node => Alias.Of(node.Alias, node.Service)),
    ];

    public override string ToString() => string.Join(", ", _nodes);

    private void Add(Life life, bool isDecorated, int[] needs, int[] forms)
    {
        List<(RandomNode Node, int Form)> taken = [];
        for (int number = 0; number < needs.Length && _nodes.Count > 0; number++)
        {
            RandomNode needed = _nodes[needs[number] % _nodes.Count];
            bool isFresh = forms[number] == RandomNode.FreshScope;
            if ((isFresh || life >= needed.Reach) && (life != Life.Singleton || !needed.NeedsShift))
            {
                taken.Add((needed, forms[number]));
            }
        }

        _nodes.Add(new RandomNode(Ids[_nodes.Count], life, isDecorated, taken));
    }
}
