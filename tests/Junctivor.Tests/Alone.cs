namespace Junctivor.Tests;

/// <summary>Tests beside which no other one runs.</summary>
[CollectionDefinition("alone", DisableParallelization = true)]
public sealed class Alone;
