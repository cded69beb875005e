using System.Collections.Immutable;
using Junctivor.Generators.Leaving;
using Microsoft.CodeAnalysis;

namespace Junctivor.Generators;

/// <summary>
/// Leaves behind what the wirings and scope levels of an assembly say, so that wirings of other projects can be followed through them.
/// </summary>
[Generator(LanguageNames.CSharp)]
public sealed class WiringGenerator : IIncrementalGenerator
{
    /// <summary>The name of the step that reads a wiring, for those who look at the steps of a run.</summary>
    public const string ReadingStep = "wiring";

    /// <inheritdoc/>
    public void Initialize(IncrementalGeneratorInitializationContext context)
    {
        IncrementalValueProvider<ImmutableArray<LeftMember>> members = context.SyntaxProvider
            .CreateSyntaxProvider(
                static (node, _) => LeftMembers.IsCandidate(node),
                static (found, cancellationToken) => LeftMembers.Read(found.Node, found.SemanticModel.Compilation, cancellationToken))
            .Where(static member => member is not null)
            .Select(static (member, _) => member!)
            .WithTrackingName(ReadingStep)
            .Collect();
        context.RegisterSourceOutput(members, static (output, found) =>
        {
            if (!found.IsEmpty)
            {
                output.AddSource("Junctivor.Wirings.g.cs", LeftMembers.Write(found));
            }
        });
    }
}
