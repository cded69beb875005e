using Junctivor.Graph;

namespace Junctivor.Runtime;

/// <summary>Returns what the place has; null for a scope where there is none.</summary>
internal sealed class AmbientRecipe(AmbientForm form) : Recipe
{
    public AmbientForm Form => form;

    public override object? Construct(in ResolutionContext surroundings, object?[] arguments) =>
        form == AmbientForm.Scope ? (surroundings.Home as Scope)?.Injected()
        : form == AmbientForm.Cancellation ? surroundings.Arguments is [CancellationToken token] ? token : CancellationToken.None
        : form == AmbientForm.Container ? surroundings.Home.Root
        : new ConsumingClass(surroundings.Asking);
}
