namespace Junctivor.Graph;

/// <summary>Something that a place provides, whatever the consumer.</summary>
internal enum AmbientForm
{
    /// <summary>The scope that the asking service is created in.</summary>
    Scope,

    /// <summary>The container.</summary>
    Container,

    /// <summary>The token of whoever awaits the making.</summary>
    Cancellation,

    /// <summary>The class that requests the asking service.</summary>
    ConsumingClass,
}
