#pragma warning disable SA1402, SA1649 // A hundred services of three kinds.
namespace Junctivor.Benchmarks.Services;

/// <summary>Nine decks of ten holds each: a hundred services with the ship.</summary>
public sealed record Freighter(
    Deck<N1> First, Deck<N2> Second, Deck<N3> Third, Deck<N4> Fourth, Deck<N5> Fifth, Deck<N6> Sixth, Deck<N7> Seventh, Deck<N8> Eighth,
    Deck<N9> Ninth);

public sealed record Deck<T>(
    Hold<T, N0> Bow, Hold<T, N1> One, Hold<T, N2> Two, Hold<T, N3> Three, Hold<T, N4> Four, Hold<T, N5> Five, Hold<T, N6> Six,
    Hold<T, N7> Seven, Hold<T, N8> Eight, Hold<T, N9> Stern);

public sealed class Hold<TDeck, TNumber>;

public sealed class N0;

public sealed class N1;

public sealed class N2;

public sealed class N3;

public sealed class N4;

public sealed class N5;

public sealed class N6;

public sealed class N7;

public sealed class N8;

public sealed class N9;
