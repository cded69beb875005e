namespace Junctivor.Graph;

/// <summary>Something that the place of a resolution provides, whatever the consumer.</summary>
/// <param name="word">How it is called in saved graphs.</param>
/// <param name="definition">The full name of the type; null if the type alone does not say it.</param>
internal sealed class AmbientForm(string word, string? definition)
{
    /// <summary>The scope that the consumer is created in.</summary>
    public static readonly AmbientForm Scope = new("scope", WellKnownTypes.Scope) { Kind = BindingKinds.Scope };

    /// <summary>The container.</summary>
    public static readonly AmbientForm Container = new("container", WellKnownTypes.Container) { Kind = BindingKinds.Container };

    /// <summary>The token that cancels an asynchronous factory.</summary>
    public static readonly AmbientForm Cancellation = new("cancellation", null);

    /// <summary>The class that takes the service which is created.</summary>
    public static readonly AmbientForm ConsumingClass =
        new("consuming class", WellKnownTypes.ConsumingClass) { Kind = BindingKinds.ConsumingClass };

    private static readonly AmbientForm[] All = [Scope, Container, Cancellation, ConsumingClass];

    /// <summary>How it is called in saved graphs.</summary>
    public string Word => word;

    /// <summary>What it is among the bindings of a node; none if no rule asks for it.</summary>
    public BindingKinds Kind { get; private init; }

    /// <summary>The form of a type; null if it is none.</summary>
    /// <param name="definition">The full name of the type.</param>
    public static AmbientForm? Of(string definition) => Array.Find(All, form => form.IsOf(definition));

    private bool IsOf(string full) => definition == full;
}
