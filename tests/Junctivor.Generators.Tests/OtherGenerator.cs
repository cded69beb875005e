using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Tests;

/// <summary>A source generator of somebody else, of which no other generator sees what it writes.</summary>
internal sealed class OtherGenerator(string source) : IIncrementalGenerator
{
    public void Initialize(IncrementalGeneratorInitializationContext context) =>
        context.RegisterSourceOutput(context.CompilationProvider, (output, _) => output.AddSource("Other.g.cs", source));
}
