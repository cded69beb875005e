using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Following;

/// <summary>The semantic models of a compilation, each made once.</summary>
/// <param name="compilation">The source.</param>
internal sealed class SourceModels(Compilation compilation)
{
    private readonly Dictionary<SyntaxTree, SemanticModel> _models = [];

    public Compilation Compilation => compilation;

    [System.Diagnostics.CodeAnalysis.SuppressMessage("MicrosoftCodeAnalysisPerformance", "RS1030", Justification =
        "A wiring is followed through the files of its modules.")]
    public SemanticModel Of(SyntaxTree tree)
    {
        if (!_models.TryGetValue(tree, out SemanticModel? model))
        {
            _models.Add(tree, model = compilation.GetSemanticModel(tree));
        }

        return model;
    }
}
