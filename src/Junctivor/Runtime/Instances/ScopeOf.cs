namespace Junctivor.Runtime;

/// <summary>A scope with slots in itself: what is created in it needs no object of ours beside the scope.</summary>
/// <typeparam name="TSlots">As many references as there are slots.</typeparam>
internal sealed class ScopeOf<TSlots>(ResolverState state) : Scope(state)
    where TSlots : struct
{
    /// <summary>Right behind what all scopes have, whatever its size; so it is read as the slots of any other.</summary>
    public TSlots Own;
}
