using System.Collections.Immutable;
using Junctivor.Generators.Leaving;
using Junctivor.Generators.Native;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.Diagnostics;

namespace Junctivor.Generators;

/// <summary>
/// Leaves behind what the wirings and scope levels of an assembly say, so that wirings of other projects can be followed through them.
/// </summary>
[Generator(LanguageNames.CSharp)]
public sealed class WiringGenerator : IIncrementalGenerator
{
    /// <summary>The name of the step that reads a wiring, for those who look at the steps of a run.</summary>
    public const string ReadingStep = "wiring";

    /// <summary>The property of a project that asks for the code that a natively compiled program needs.</summary>
    public const string RecipesProperty = "build_property.JunctivorRecipes";

    /// <inheritdoc/>
    public void Initialize(IncrementalGeneratorInitializationContext context)
    {
        IncrementalValueProvider<ImmutableArray<LeftMember>> members = context.SyntaxProvider
            .CreateSyntaxProvider(
                static (node, _) => LeftMembers.MayBeLeft(node),
                static (found, cancellationToken) => LeftMembers.Read(found.Node, found.SemanticModel.Compilation, cancellationToken))
            .Where(static member => member is not null)
            .Select(static (member, _) => member!)
            .WithTrackingName(ReadingStep)
            .Collect();
        LeaveWirings(context, members);
        LeaveSelfRegistered(context);
        WriteRecipes(context);
    }

    /// <summary>Whether a project asks for the code that a natively compiled program needs.</summary>
    internal static bool AreRecipesWanted(AnalyzerConfigOptionsProvider options) =>
        options.GlobalOptions.TryGetValue(RecipesProperty, out string? wanted) && wanted.Equals("true", StringComparison.OrdinalIgnoreCase);

    private static void LeaveWirings(
        IncrementalGeneratorInitializationContext context, IncrementalValueProvider<ImmutableArray<LeftMember>> members) =>
        context.RegisterSourceOutput(members, static (output, found) =>
        {
            if (!found.IsEmpty)
            {
                output.AddSource("Junctivor.Wirings.g.cs", LeftMembers.Write(found));
            }
        });

    private static void LeaveSelfRegistered(IncrementalGeneratorInitializationContext context)
    {
        IncrementalValueProvider<ImmutableArray<string>> names = context.SyntaxProvider
            .CreateSyntaxProvider(
                static (node, _) => SelfRegisteredList.IsCandidate(node),
                static (found, cancellationToken) => SelfRegisteredList.Read(found.Node, found.SemanticModel, cancellationToken))
            .Where(static name => name is not null)
            .Select(static (name, _) => name!)
            .Collect();
        IncrementalValueProvider<bool> isKnown =
            context.CompilationProvider.Select(static (compilation, _) => SelfRegisteredList.IsKnown(compilation));
        context.RegisterSourceOutput(names.Combine(isKnown), static (output, found) =>
        {
            if (found.Right)
            {
                output.AddSource("Junctivor.SelfRegistered.g.cs", SelfRegisteredList.Write(found.Left));
            }
        });
    }

    /// <summary>Only of a program that is to be published natively or trimmed; not for the editor, which does not need them.</summary>
    private static void WriteRecipes(IncrementalGeneratorInitializationContext context)
    {
        IncrementalValueProvider<bool> areWanted = context.AnalyzerConfigOptionsProvider.Select(static (options, _) =>
            AreRecipesWanted(options));
        IncrementalValueProvider<Compilation?> wanted = context.CompilationProvider.Combine(areWanted)
            .Select(static (pair, _) => pair.Right ? pair.Left : null);
        context.RegisterImplementationSourceOutput(wanted, static (output, compilation) =>
        {
            if (compilation?.GetTypeByMetadataName("Junctivor.CompilerServices.CompiledRecipes") is not null
                && RecipeText.CanBeCompiled(compilation)
                && RecipeText.Of(compilation, NativeNeeds.Of(compilation, output.CancellationToken)) is { } source)
            {
                output.AddSource(RecipeText.File, source);
            }
        });
    }
}
