namespace Junctivor.Graph;

/// <summary>How a need comes to its service later than its consumer is created.</summary>
internal enum DeferredForm
{
    /// <summary><c>Func&lt;T&gt;</c>: a fresh resolution at each call.</summary>
    Func,

    /// <summary><c>Func&lt;A, T&gt;</c>: constructs with arguments at each call.</summary>
    FuncWithArguments,

    /// <summary><c>Lazy&lt;T&gt;</c>: resolved at first use.</summary>
    Lazy,

    /// <summary><c>FreshScope&lt;T&gt;</c>: resolved in a scope of its own at each run.</summary>
    FreshScope,
}
