using System.Runtime.CompilerServices;

namespace Junctivor.Runtime;

/// <summary>The sizes of scopes.</summary>
internal static class ScopeSizes
{
    private static readonly int[] All = [1, 2, 3, 4, 5, 6, 8, 12, 16, 22, ScopeWord.MostSlots];

    /// <summary>The size for so many services; for what does not fit, the largest.</summary>
    public static int For(int services) => services > ScopeWord.MostSlots ? ScopeWord.MostSlots : Array.Find(All, size => size >= services);

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static Scope Start(ResolverState state) => state.Slots switch
    {
        1 => new ScopeOf<Of1>(state),
        2 => new ScopeOf<Of2>(state),
        3 => new ScopeOf<Of3>(state),
        4 => new ScopeOf<Of4>(state),
        5 => new ScopeOf<Of5>(state),
        6 => new ScopeOf<Of6>(state),
        8 => new ScopeOf<Of8>(state),
        12 => new ScopeOf<Of12>(state),
        16 => new ScopeOf<Of16>(state),
        22 => new ScopeOf<Of22>(state),
        ScopeWord.MostSlots => new ScopeOf<Of30>(state),
        _ => new ScopeOf<Of1>(state),
    };

    /// <summary>A slot of a scope that has as many.</summary>
    public static ref object? SlotOf(Scope scope, int slot) =>
        ref Unsafe.Add(ref Unsafe.As<Of1, object?>(ref Unsafe.As<ScopeOf<Of1>>(scope).Own), slot);

    [InlineArray(1)]
    internal struct Of1
    {
        private object? _first;
    }

    [InlineArray(2)]
    private struct Of2
    {
        private object? _first;
    }

    [InlineArray(3)]
    private struct Of3
    {
        private object? _first;
    }

    [InlineArray(4)]
    private struct Of4
    {
        private object? _first;
    }

    [InlineArray(5)]
    private struct Of5
    {
        private object? _first;
    }

    [InlineArray(6)]
    private struct Of6
    {
        private object? _first;
    }

    [InlineArray(8)]
    private struct Of8
    {
        private object? _first;
    }

    [InlineArray(12)]
    private struct Of12
    {
        private object? _first;
    }

    [InlineArray(16)]
    private struct Of16
    {
        private object? _first;
    }

    [InlineArray(22)]
    private struct Of22
    {
        private object? _first;
    }

    [InlineArray(ScopeWord.MostSlots)]
    private struct Of30
    {
        private object? _first;
    }
}
