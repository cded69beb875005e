using System.Collections.Immutable;
using System.Runtime.CompilerServices;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace Junctivor.Generators.Checking;

/// <summary>The files, references and options of a compilation, without the compilation, which would keep all its symbols.</summary>
internal sealed class CompilationFiles
{
    private static readonly ConditionalWeakTable<Compilation, CompilationFiles> Known = new();

    private readonly CompilationOptions _options;
    private readonly ImmutableArray<SyntaxTree> _trees;
    private readonly ImmutableArray<Reference> _references;

    /// <summary>The last comparison and its result, because many wirings need the same comparison.</summary>
    private readonly ConditionalWeakTable<CompilationFiles, Difference> _differences = new();

    private CompilationFiles(Compilation compilation)
    {
        _options = compilation.Options;
        _trees = [.. compilation.SyntaxTrees];
        _references = [.. compilation.References.Select(reference => new Reference(reference))];
    }

    public static CompilationFiles Of(Compilation compilation) => Known.GetValue(compilation, static each => new CompilationFiles(each));

    /// <summary>The files that another compilation has in another state, if only bodies of methods differ; null if anything else
    /// does.</summary>
    public SourceEdits? ChangesTo(CompilationFiles other) =>
        this == other ? new SourceEdits([]) : _differences.GetValue(other, each => new Difference(CompareBodies(each))).Changes;

    /// <summary>The files that another compilation has in another state, whatever differs in them; null if references, options or the
    /// list of files differ.</summary>
    public SourceEdits? EditsTo(CompilationFiles other) =>
        Compare(other) is { } edits
        && _references.Zip(other._references, (before, after) => before.IsSameObject(after)).All(same => same)
            ? edits
            : null;

    private SourceEdits? CompareBodies(CompilationFiles other) =>
        Compare(other) is { } edits
        && edits.Files.All(file => DeclareTheSame(file.Before, file.After))
        && _references.Zip(other._references, (before, after) => before.IsTheSame(after)).All(same => same)
            ? edits
            : null;

    private SourceEdits? Compare(CompilationFiles other)
    {
        // An editor keeps the object as long as the options are the same. Those of the compiler cannot be compared: their resolvers throw.
        if (!ReferenceEquals(_options, other._options)
            || _trees.Length != other._trees.Length
            || _references.Length != other._references.Length)
        {
            return null;
        }

        List<(SyntaxTree Before, SyntaxTree After)> changes = [];
        for (int number = 0; number < _trees.Length; number++)
        {
            (SyntaxTree before, SyntaxTree after) = (_trees[number], other._trees[number]);
            if (before != after)
            {
                if (before.FilePath != after.FilePath || !before.Options.Equals(after.Options))
                {
                    return null;
                }

                changes.Add((before, after));
            }
        }

        return new SourceEdits(changes);
    }

    private static bool DeclareTheSame(SyntaxTree before, SyntaxTree after) =>
        SyntaxFactory.AreEquivalent(before, after, topLevel: true)
        && InitialValues(before).SequenceEqual(InitialValues(after), StringComparer.Ordinal);

    /// <summary>The values that constants, fields and properties are declared with: their text counts, too.</summary>
    private static IEnumerable<string> InitialValues(SyntaxTree tree) => tree.GetRoot()
        .DescendantNodes(node => node is not (BlockSyntax or ArrowExpressionClauseSyntax or GlobalStatementSyntax))
        .OfType<EqualsValueClauseSyntax>()
        .Select(value => value.Value.ToString());

    private sealed record Difference(SourceEdits? Changes);

    /// <summary>Something that is referenced: another project by its files.</summary>
    private sealed class Reference(MetadataReference reference)
    {
        private readonly WeakReference<MetadataReference> _reference = new(reference);
        private readonly CompilationFiles? _project = reference is CompilationReference { Compilation: var project } ? Of(project) : null;

        public bool IsSameObject(Reference other) =>
            _reference.TryGetTarget(out MetadataReference? mine) && other._reference.TryGetTarget(out MetadataReference? theirs)
            && mine.Equals(theirs);

        public bool IsTheSame(Reference other) =>
            IsSameObject(other)
            || (_project is not null && other._project is not null && _project.ChangesTo(other._project) is not null);
    }
}
