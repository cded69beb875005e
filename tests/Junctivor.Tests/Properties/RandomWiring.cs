using CsCheck;

namespace Junctivor.Tests.Properties;

/// <summary>A random wiring without rings: each node needs only nodes before it, and nothing that ends before it.</summary>
internal sealed class RandomWiring
{
    private static readonly Type[] Ids = [typeof(I0), typeof(I1), typeof(I2), typeof(I3), typeof(I4), typeof(I5), typeof(I6), typeof(I7), typeof(I8), typeof(I9)];

    private readonly List<Node> _nodes = [];

    private RandomWiring(IEnumerable<(int Lifetime, int Decorated, int[] Needs, int[] Forms)> drawn)
    {
        foreach ((int lifetime, int decorated, int[] needs, int[] forms) in drawn)
        {
            Add((Lifetime)lifetime, decorated == 0, needs, forms);
        }
    }

    public static Gen<RandomWiring> Gen { get; } =
        CsCheck.Gen.Select(CsCheck.Gen.Int[0, 2], CsCheck.Gen.Int[0, 3], CsCheck.Gen.Int[0, 99].Array[3], CsCheck.Gen.Int[0, 5].Array[3])
            .Array[1, 10]
            .Select(drawn => new RandomWiring(drawn));

    public IReadOnlyList<Node> Nodes => _nodes;

    public Wiring ToWiring(Journal journal) =>
    [
        Singleton.Value(journal),
        Singleton.Of<Nothing>(),
        .. _nodes.Select(node => node.ToRegistration()),
        .. _nodes.Where(node => node.IsDecorated).Select(node => Decorator.Of(node.Service, typeof(Wrapped<>).MakeGenericType(node.Id))),
    ];

    private void Add(Lifetime lifetime, bool isDecorated, int[] needs, int[] forms)
    {
        List<(Node Node, int Form)> taken = [];
        for (int number = 0; number < needs.Length && _nodes.Count > 0; number++)
        {
            Node needed = _nodes[needs[number] % _nodes.Count];
            bool isFresh = forms[number] == Node.FreshScope;
            if (isFresh || lifetime != Lifetime.Singleton || !needed.NeedsScope)
            {
                taken.Add((needed, forms[number]));
            }
        }

        _nodes.Add(new Node(Ids[_nodes.Count], lifetime, isDecorated, taken));
    }

    internal sealed record Node(Type Id, Lifetime Lifetime, bool IsDecorated, IReadOnlyList<(Node Node, int Form)> Needs)
    {
        public const int FreshScope = 4;

        public Type Service { get; } = typeof(IPart<>).MakeGenericType(Id);

        public bool NeedsScope => Lifetime == Lifetime.Scoped
            || (Lifetime == Lifetime.Transient && Needs.Any(need => need.Form != FreshScope && need.Node.NeedsScope));

        public Registration ToRegistration() => Of(Lifetime, Class([.. Needs.Select(need => TypeOf(need.Node, need.Form))]));

        public Registration WithFurtherNeed(Type need) => Of(Lifetime, Class([.. Needs.Take(2).Select(each => TypeOf(each.Node, each.Form)), need]));

        public Registration Of(Lifetime lifetime, Type made) => lifetime switch
        {
            Lifetime.Singleton => Singleton.Of(Service, made),
            Lifetime.Scoped => Scoped.Of(Service, made),
            _ => Transient.Of(Service, made),
        };

        private Type Class(IReadOnlyList<Type> needs) => typeof(Made<,,,>).MakeGenericType(
            [Id, .. needs.Concat(Enumerable.Repeat(typeof(Nothing), 3)).Take(3)]);

        private static Type TypeOf(Node node, int form) => form switch
        {
            1 => typeof(Lazy<>).MakeGenericType(node.Service),
            2 => typeof(Func<>).MakeGenericType(node.Service),
            3 => typeof(IReadOnlyList<>).MakeGenericType(node.Service),
            FreshScope => typeof(FreshScope<>).MakeGenericType(node.Service),
            _ => node.Service,
        };
    }
}
