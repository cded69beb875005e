namespace Junctivor.Graph;

/// <summary>A wrapper from which a consumer gets its service later than the consumer is created. Messages, drawings and saved graphs
/// take each fact about one from here.</summary>
/// <param name="name">The name of the type, as messages call it.</param>
/// <param name="word">How it is called in drawings and saved graphs.</param>
/// <param name="definitions">The full names of the generic definitions.</param>
internal sealed class DeferredForm(string name, string word, params string[] definitions)
{
    /// <summary><c>Func&lt;T&gt;</c>: resolved anew at each call.</summary>
    public static readonly DeferredForm Func = new("Func", "function", WellKnownTypes.Func) { Kind = BindingKinds.Function };

    /// <summary><c>Func&lt;A, T&gt;</c>: constructed with arguments at each call.</summary>
    public static readonly DeferredForm FuncWithArguments =
        new("Func", "function", WellKnownTypes.FuncOfOne, WellKnownTypes.FuncOfTwo, WellKnownTypes.FuncOfThree, WellKnownTypes.FuncOfFour)
        {
            Kind = BindingKinds.Function,
            TakesArguments = true,
        };

    /// <summary><c>Lazy&lt;T&gt;</c>: resolved at the first use.</summary>
    public static readonly DeferredForm Lazy = new("Lazy", "lazy", WellKnownTypes.Lazy) { KeepsFirst = true };

    /// <summary><c>FreshScope&lt;T&gt;</c>: resolved in its own scope at each run.</summary>
    public static readonly DeferredForm FreshScope =
        new("FreshScope", "fresh scope", WellKnownTypes.FreshScope) { Kind = BindingKinds.FreshScope, StartsScope = true };

    /// <summary>All forms: the only list of them.</summary>
    public static IReadOnlyList<DeferredForm> All { get; private set; } = [Func, FuncWithArguments, Lazy, FreshScope];

    /// <summary>The name of the type, as messages call it.</summary>
    public string Name => name;

    /// <summary>How it is called in drawings and saved graphs.</summary>
    public string Word => word;

    /// <summary>What it is among the bindings of a node; none if no rule asks for it.</summary>
    public BindingKinds Kind { get; private init; }

    /// <summary>Whether the service lives in a scope of its own, so that the consumer does not hold it.</summary>
    public bool StartsScope { get; private init; }

    /// <summary>Whether it keeps the instance that it resolved first.</summary>
    public bool KeepsFirst { get; private init; }

    /// <summary>Whether the consumer passes arguments, which the constructor of the service takes.</summary>
    public bool TakesArguments { get; private init; }

    /// <summary>The form of a type; null if it is none.</summary>
    /// <param name="definition">The full name of the type, or of its generic definition.</param>
    public static DeferredForm? Of(string definition)
    {
        foreach (DeferredForm form in All)
        {
            if (form.IsDefinedBy(definition))
            {
                return form;
            }
        }

        return null;
    }

    /// <summary>Adds a form to <see cref="All"/>: for tests, which see by it that nothing else lists the forms.</summary>
    internal static void Add(DeferredForm form) => All = [.. All, form];

    private bool IsDefinedBy(string definition) => Array.IndexOf(definitions, definition) >= 0;
}
