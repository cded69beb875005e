namespace Junctivor.Graph;

/// <summary>What a place has, whoever asks.</summary>
internal enum AmbientForm
{
    /// <summary>The scope that the asking service is made in.</summary>
    Scope,

    /// <summary>The container.</summary>
    Container,

    /// <summary>The token of whoever awaits the making.</summary>
    Cancellation,

    /// <summary>The class that asks for the asking service.</summary>
    ConsumingClass,
}
