using System.Diagnostics.CodeAnalysis;
using Microsoft.AspNetCore.Components;

namespace Junctivor;

/// <summary>
/// A component of Blazor in a <see cref="WiredCircuit"/>. Before it is initialized, its properties with <see cref="InjectAttribute"/> are
/// set from the scope of the circuit: in a file of Razor, <c>[Junctivor.Inject]</c>, as Blazor has an attribute of the same name.
/// </summary>
public abstract class WiredComponent : ComponentBase
{
    private bool _isFilled;

    /// <summary>The scope of the circuit.</summary>
    [CascadingParameter]
    public Scope? Scope { get; set; }

    /// <inheritdoc />
    /// <exception cref="InvalidOperationException">The component is not in a <see cref="WiredCircuit"/>.</exception>
    /// <exception cref="ResolveException">A property cannot be resolved.</exception>
    public override Task SetParametersAsync(ParameterView parameters)
    {
        parameters.SetParameterProperties(this);
        if (!_isFilled)
        {
            Fill();
            _isFilled = true;
        }

        return base.SetParametersAsync(ParameterView.Empty);
    }

    [UnconditionalSuppressMessage("Trimming", "IL2091", Justification = "The host keeps the members of components.")]
    private void Fill() => (Scope ?? throw new InvalidOperationException(
        $"{GetType().Name} is shown outside of a WiredCircuit, so it has no scope: put <WiredCircuit> around it.")).FillProperties(this);
}
