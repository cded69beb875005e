using System.Collections.Immutable;
using System.Composition;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.Completion;
using Microsoft.CodeAnalysis.Options;
using Microsoft.CodeAnalysis.Tags;
using Microsoft.CodeAnalysis.Text;

namespace Junctivor.Completion;

/// <summary>In <c>Singleton.Of&lt;ITideTable, …&gt;()</c>, lists the classes that implement the service before all other types.</summary>
[ExportCompletionProvider(nameof(ImplementationCompletion), LanguageNames.CSharp)]
[Shared]
public sealed class ImplementationCompletion : CompletionProvider
{
    /// <summary>Sorts before letters.</summary>
    private const string First = "!";

    private static readonly CompletionItemRules Rules = CompletionItemRules.Default.WithMatchPriority(MatchPriority.Preselect);

    private static readonly ImmutableArray<string> Tags = [WellKnownTags.Class, WellKnownTags.Public];

    /// <inheritdoc/>
    public override bool ShouldTriggerCompletion(SourceText text, int caretPosition, CompletionTrigger trigger, OptionSet options) =>
        trigger.Kind == CompletionTriggerKind.Insertion && trigger.Character is ',' or ' '
            ? TypeArgumentPlace.IsAt(text, caretPosition)
            : base.ShouldTriggerCompletion(text, caretPosition, trigger, options);

    /// <inheritdoc/>
    public override async Task ProvideCompletionsAsync(CompletionContext context)
    {
        SourceText text = await context.Document.GetTextAsync(context.CancellationToken).ConfigureAwait(false);
        if (!TypeArgumentPlace.IsAt(text, context.CompletionListSpan.Start))
        {
            return;
        }

        SemanticModel? model = await context.Document.GetSemanticModelAsync(context.CancellationToken).ConfigureAwait(false);
        if (model is null || TypeArgumentPlace.Read(model, text, context.CompletionListSpan.Start) is not { } place)
        {
            return;
        }

        foreach (ITypeSymbol type in Implementations.Of(place.Service, place.IsOfDecorator, model.Compilation))
        {
            string name = type.ToMinimalDisplayString(model, context.Position);
            context.AddItem(CompletionItem.Create(name, sortText: First + name, filterText: type.Name, tags: Tags, rules: Rules));
        }
    }
}
