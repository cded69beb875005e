using Junctivor.Circuits;
using Microsoft.AspNetCore.Components;
using Microsoft.AspNetCore.Components.Rendering;
using Microsoft.AspNetCore.Routing;

namespace Junctivor;

/// <summary>
/// A component of Blazor that starts a scope, and passes it to the components in it: as long as it is shown, which for the outermost
/// interactive component is the life of the circuit, each browser has a scope of its own. The application maps its components in a group of
/// <see cref="WiredEndpoints.MapWired"/>, which provides the container. Components that derive from <see cref="WiredComponent"/> get their
/// services from it.
/// </summary>
/// <example>
/// <code language="razor">
/// &lt;WiredCircuit&gt;
///     &lt;ClerkList /&gt;
/// &lt;/WiredCircuit&gt;
/// </code>
/// </example>
public sealed class WiredCircuit : ComponentBase, IAsyncDisposable
{
    private Scope? _scope;

    /// <summary>What is shown in it.</summary>
    [Parameter]
    public RenderFragment? ChildContent { get; set; }

    /// <summary>The values for the scope that the wiring declares with <c>Scoped.Incoming</c>; none by default. Read when the component is
    /// first shown.</summary>
    [Parameter]
    public IReadOnlyList<Incoming> IncomingValues { get; set; } = [];

    [Microsoft.AspNetCore.Components.Inject]
    private EndpointDataSource Endpoints { get; set; } = null!;

    /// <summary>Ends the scope, and disposes its services.</summary>
    /// <returns>A task that completes when they are disposed.</returns>
    /// <exception cref="AggregateException">A disposal threw.</exception>
    public ValueTask DisposeAsync() => _scope?.DisposeAsync() ?? ValueTask.CompletedTask;

    /// <inheritdoc />
    /// <exception cref="InvalidOperationException">The components are mapped outside of <see cref="WiredEndpoints.MapWired"/>.</exception>
    protected override async Task OnInitializedAsync() =>
        _scope = await CircuitContainers.Of(Endpoints).StartScopeAsync([.. IncomingValues]);

    /// <inheritdoc />
    protected override void BuildRenderTree(RenderTreeBuilder builder)
    {
        ArgumentNullException.ThrowIfNull(builder);
        if (_scope is not null)
        {
            builder.OpenComponent<CascadingValue<Scope>>(0);
            builder.AddComponentParameter(1, nameof(CascadingValue<Scope>.Value), _scope);
            builder.AddComponentParameter(2, nameof(CascadingValue<Scope>.IsFixed), true);
            builder.AddComponentParameter(3, nameof(CascadingValue<Scope>.ChildContent), ChildContent);
            builder.CloseComponent();
        }
    }
}
