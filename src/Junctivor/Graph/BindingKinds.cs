namespace Junctivor.Graph;

/// <summary>What stands among the bindings of a node, other than <see cref="Binding.Single"/>, however deep inside another one.</summary>
[Flags]
internal enum BindingKinds
{
    None = 0,
    Missing = 1,
    Ambiguous = 1 << 1,

    /// <summary>Optional, and not registered.</summary>
    Nothing = 1 << 2,

    /// <summary>A list or a dictionary without elements.</summary>
    Empty = 1 << 3,
    Function = 1 << 4,
    FreshScope = 1 << 5,
    Container = 1 << 6,
    Scope = 1 << 7,
    ConsumingClass = 1 << 8,
    Untaken = 1 << 9,
    SharedWithArguments = 1 << 10,
}
