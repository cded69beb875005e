using Junctivor.Benchmarks.Services;

namespace Junctivor.Benchmarks.Running;

/// <summary>A whole program: it builds, serves one request over a hundred services, and ends.</summary>
internal static class Once
{
    public const string Command = "once";

    public const string Wired = "wired";

    public const string ByHand = "by-hand";

    public static int Run(string how) => (how == Wired ? MakeWired() : MakeByHand()) is Freighter ? 0 : 1;

    private static Freighter MakeByHand() =>
        new(Deck<N1>(), Deck<N2>(), Deck<N3>(), Deck<N4>(), Deck<N5>(), Deck<N6>(), Deck<N7>(), Deck<N8>(), Deck<N9>());

    private static Deck<T> Deck<T>() => new(
        new Hold<T, N0>(), new Hold<T, N1>(), new Hold<T, N2>(), new Hold<T, N3>(), new Hold<T, N4>(), new Hold<T, N5>(), new Hold<T, N6>(),
        new Hold<T, N7>(), new Hold<T, N8>(), new Hold<T, N9>());

    private static Freighter MakeWired()
    {
        Wiring wiring =
        [
            Scoped.Of<Freighter>(),
            .. WiringOf<N1>(), .. WiringOf<N2>(), .. WiringOf<N3>(), .. WiringOf<N4>(), .. WiringOf<N5>(), .. WiringOf<N6>(),
            .. WiringOf<N7>(), .. WiringOf<N8>(), .. WiringOf<N9>(),
        ];
        using Container container = wiring.Build();
        using Scope request = container.StartScope();
        return request.Resolve<Freighter>();
    }

    private static Wiring WiringOf<T>() =>
    [
        Scoped.Of<Deck<T>>(),
        Scoped.Of<Hold<T, N0>>(), Scoped.Of<Hold<T, N1>>(), Scoped.Of<Hold<T, N2>>(), Scoped.Of<Hold<T, N3>>(), Scoped.Of<Hold<T, N4>>(),
        Scoped.Of<Hold<T, N5>>(), Scoped.Of<Hold<T, N6>>(), Scoped.Of<Hold<T, N7>>(), Scoped.Of<Hold<T, N8>>(), Scoped.Of<Hold<T, N9>>(),
    ];
}
