namespace Harbour.Tests;

/// <summary>Tests that nothing else may run beside.</summary>
[CollectionDefinition(nameof(Alone), DisableParallelization = true)]
public sealed class Alone;
