using System.Diagnostics.CodeAnalysis;
using Microsoft.AspNetCore.Components;

namespace Junctivor;

/// <summary>
/// A Blazor component in a <see cref="WiredCircuit"/>. Before it is initialized, its properties with <c>[Inject]</c> are set from the
/// scope of the circuit. Blazor's own <c>@inject</c> still takes services of the host.
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

    /// <summary>In a class that derives from <see cref="WiredComponent"/>, <c>[Inject]</c> is this attribute: the property is set from the
    /// scope of the circuit. It hides the attribute of Blazor that has the same name.</summary>
    [AttributeUsage(AttributeTargets.Property)]
    [SuppressMessage("Design", "CA1034", Justification = "Only a nested class comes before the namespaces that Razor imports.")]
    protected sealed class InjectAttribute : Junctivor.InjectAttribute;

    [UnconditionalSuppressMessage("Trimming", "IL2091", Justification = "The host keeps the members of components.")]
    private void Fill() => (Scope ?? throw new InvalidOperationException(
        $"{GetType().Name} is shown outside of a WiredCircuit, so it has no scope: put <WiredCircuit> around it.")).FillProperties(this);
}
