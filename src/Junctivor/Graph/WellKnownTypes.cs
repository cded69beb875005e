namespace Junctivor.Graph;

/// <summary>The types that the container provides itself, or that a message treats specially, by their full names.</summary>
internal static class WellKnownTypes
{
    public const string Scope = "Junctivor.Scope";

    public const string Container = "Junctivor.Container";

    public const string ConsumingClass = "Junctivor.ConsumingClass";

    public const string FreshScope = "Junctivor.FreshScope`1";

    public const string Lazy = "System.Lazy`1";

    public const string Func = "System.Func`1";

    public const string FuncOfOne = "System.Func`2";

    public const string FuncOfTwo = "System.Func`3";

    public const string FuncOfThree = "System.Func`4";

    public const string FuncOfFour = "System.Func`5";

    private const string Array = "[]";

    /// <summary>How the name of each function type begins.</summary>
    public const string AnyFunc = "System.Func`";

    public const string Enumerable = "System.Collections.Generic.IEnumerable`1";

    public const string Collection = "System.Collections.Generic.IReadOnlyCollection`1";

    public const string List = "System.Collections.Generic.IReadOnlyList`1";

    public const string Dictionary = "System.Collections.Generic.IReadOnlyDictionary`2";

    public const string Task = "System.Threading.Tasks.Task";

    public const string TaskOf = "System.Threading.Tasks.Task`1";

    public const string ValueTask = "System.Threading.Tasks.ValueTask";

    public const string ValueTaskOf = "System.Threading.Tasks.ValueTask`1";

    public const string CancellationToken = "System.Threading.CancellationToken";

    public const string ProviderInterface = "System.IServiceProvider";

    public const string Text = "System.String";

    public const string Anything = "System.Object";

    public const string Nullable = "System.Nullable`1";

    public const string TypeOfTypes = "System.Type";

    /// <summary>Whether the container itself provides one to whoever resolves it, so that none can be registered.</summary>
    /// <param name="fullName">The full name of the type, of its definition where it is generic.</param>
    public static bool IsProvided(string fullName) =>
        DeferredForm.Of(fullName) is not null || AmbientForm.Of(fullName) is not null;

    /// <summary>Whether a type is one of the lists that contain all registrations of their element.</summary>
    /// <param name="fullName">The full name of its definition.</param>
    public static bool IsList(string fullName) => fullName is Array or Enumerable or Collection or List;
}
