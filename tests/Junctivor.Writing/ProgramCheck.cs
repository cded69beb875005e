extern alias Generators;

using System.Globalization;
using System.Reflection;
using System.Runtime.Loader;
using Generators::Junctivor.Generators;
using Junctivor.Checks;
using Junctivor.Tests.Shared;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.Diagnostics;
using Microsoft.CodeAnalysis.Emit;

namespace Junctivor.Writing;

/// <summary>
/// Compares what the compiler says of random programs with what <c>Build</c> says when they run, however their conditions come out: as a
/// build compiles them, with reference assemblies, and as an editor does, with references to source.
/// </summary>
public sealed class ProgramCheck
{
    private static readonly IReadOnlyList<MetadataReference> References =
        [.. ((string)AppContext.GetData("TRUSTED_PLATFORM_ASSEMBLIES")!).Split(Path.PathSeparator)
            .Where(path => Path.GetFileNameWithoutExtension(path) is "Junctivor"
                || Path.GetFileName(path).StartsWith("System.", StringComparison.Ordinal)
                || Path.GetFileName(path).StartsWith("Microsoft.CSharp", StringComparison.Ordinal))
            .Select(path => MetadataReference.CreateFromFile(path))];

    private static readonly CSharpCompilationOptions Options =
        new(OutputKind.DynamicallyLinkedLibrary, nullableContextOptions: NullableContextOptions.Enable);

    private readonly CancellationToken _cancellationToken;
    private readonly List<string> _wrong = [];

    private ProgramCheck(CancellationToken cancellationToken) => _cancellationToken = cancellationToken;

    /// <summary>How many wirings the compiler followed.</summary>
    public int Followed { get; private set; }

    /// <summary>How many it did not follow, and said so.</summary>
    public int Unfollowed { get; private set; }

    /// <summary>How many are faulty when they run, however their conditions come out.</summary>
    public int Faulty { get; private set; }

    /// <summary>The ways of the programs of which the wiring was followed.</summary>
    public HashSet<string> WaysFollowed { get; } = [];

    /// <summary>Why programs were not followed, by the ways in which they are written.</summary>
    public Dictionary<string, string> Reasons { get; } = [];

    /// <summary>All ways that were written.</summary>
    public HashSet<string> Ways { get; } = [];

    /// <summary>What the compiler claimed falsely, or missed and did not say so; or what was thrown.</summary>
    public IReadOnlyList<string> Wrong => _wrong;

    /// <param name="seed">The same seed gives the same programs.</param>
    /// <param name="count">How many programs are compiled together.</param>
    /// <param name="cancellationToken">Ends it.</param>
    public static ProgramCheck Run(int seed, int count, CancellationToken cancellationToken)
    {
        ProgramCheck check = new(cancellationToken);
        check.Compare(
            [.. Enumerable.Range(0, count).Select(number => ProgramWriter.Write(number, (seed * 1000) + number, Switches(seed, number)))]);
        return check;
    }

    private static string Switches(int seed, int number) => string.Create(CultureInfo.InvariantCulture, $"Written.{seed}.{number}");

    private void Compare(IReadOnlyList<WrittenProgram> programs)
    {
        CSharpCompilation library = Generate(Compile("Library", [.. programs.Where(each => each.HasLibrary).Select(Shared)]));
        byte[] libraryImage = Emit(library, new EmitOptions());
        CSharpCompilation program = Compile(
            "Program",
            [.. programs.Select(each => (each.File, each.Text)), .. programs.Where(each => !each.HasLibrary).Select(Shared)]);
        CSharpCompilation built = Generate(program.AddReferences(
            MetadataReference.CreateFromImage(Emit(library, new EmitOptions(metadataOnly: true, includePrivateMembers: false)))));
        byte[] image = Emit(built, new EmitOptions());

        ILookup<int, Diagnostic> found = Analyze(built);
        ILookup<int, Diagnostic> shown = Analyze(program.AddReferences(library.ToMetadataReference()));
        foreach (WrittenProgram each in programs)
        {
            Ways.UnionWith(each.Ways);
            Compare(each, [.. found[each.Number]], Outcomes(each, image, libraryImage));
            if (!TextsOf(found[each.Number]).SequenceEqual(TextsOf(shown[each.Number])))
            {
                Say(each, $"an editor shows {string.Join("; ", TextsOf(shown[each.Number]))}, a build {string.Join("; ", TextsOf(found[each.Number]))}");
            }
        }
    }

    private static (string File, string Text) Shared(WrittenProgram program) => (program.SharedFile, program.Shared);

    private static IEnumerable<string> TextsOf(IEnumerable<Diagnostic> found) =>
        found.Select(each => $"{each.Id} {each.GetMessage(CultureInfo.InvariantCulture)}").Order(StringComparer.Ordinal);

    /// <param name="program">The program.</param>
    /// <param name="found">What the compiler says of it.</param>
    /// <param name="outcomes">What the run says: for each way in which its conditions can come out.</param>
    private void Compare(WrittenProgram program, IReadOnlyList<Diagnostic> found, List<IReadOnlyList<string>> outcomes)
    {
        // Where something is decided at run time, what is said beside the fault may differ from one outcome to the other.
        Func<string, string> shown = program.IsDecidedLater ? fault => fault.Split('\n')[0] : fault => fault;
        IReadOnlyList<string> claimed =
            [.. found.Where(each => each.Id != "JV901").Select(each => shown(each.Properties[WiringAnalyzer.TextProperty]!)).Distinct()];
        IReadOnlyList<string> always =
            [.. outcomes[0].Select(shown).Where(fault => outcomes.All(faults => faults.Select(shown).Contains(fault))).Distinct()];
        Faulty += always.Count > 0 ? 1 : 0;
        if (found.FirstOrDefault(each => each.Id == "JV901") is { } unfollowed)
        {
            Unfollowed++;
            Reasons[string.Join(", ", program.Ways)] = unfollowed.GetMessage(CultureInfo.InvariantCulture);
            if (claimed.Count > 0)
            {
                Say(program, $"claimed though not followed: {string.Join("\n", claimed)}");
            }

            return;
        }

        Followed++;
        WaysFollowed.UnionWith(program.Ways);
        foreach (string fault in claimed.Except(always))
        {
            Say(program, $"claimed falsely: {fault}");
        }

        foreach (string fault in program.AreDecidedTogether ? [] : always.Except(claimed))
        {
            Say(program, $"missed: {fault}");
        }
    }

    private void Say(WrittenProgram program, string what) => _wrong.Add($"{what}\n{string.Join(", ", program.Ways)}\n{program}");

    /// <summary>The faults of a wiring for each way in which its switches can be set.</summary>
    private static List<IReadOnlyList<string>> Outcomes(WrittenProgram program, byte[] image, byte[] library)
    {
        List<IReadOnlyList<string>> outcomes = [];
        IReadOnlyList<string> switches = [.. program.Flags, .. program.IsAnyFlag ? (string[])[program.MaybeSwitch] : []];
        for (int outcome = 0; outcome < 1 << switches.Count; outcome++)
        {
            for (int number = 0; number < switches.Count; number++)
            {
                AppContext.SetSwitch(switches[number], (outcome & (1 << number)) != 0);
            }

            outcomes.Add(Run(program, image, library));
        }

        return outcomes;
    }

    private static IReadOnlyList<string> Run(WrittenProgram program, byte[] image, byte[] library)
    {
        AssemblyLoadContext context = new("written", isCollectible: true);
        try
        {
            context.LoadFromStream(new MemoryStream(library));
            Type root = context.LoadFromStream(new MemoryStream(image)).GetType($"P{program.Number}.Root")!;
            return [.. FaultsOf(root).Select(fault => $"{fault}")];
        }
        finally
        {
            context.Unload();
        }
    }

    private static IReadOnlyList<Fault> FaultsOf(Type root)
    {
        try
        {
            return root.GetMethod("W") is { } wiring
                ? ((Wiring)wiring.Invoke(null, null)!).Check().All
                : ((Container)root.GetMethod("B")!.Invoke(null, null)!).Report.All;
        }
        catch (TargetInvocationException thrown) when (thrown.InnerException is WiringException refused)
        {
            return refused.Report.All;
        }
    }

    private ILookup<int, Diagnostic> Analyze(CSharpCompilation compilation) => compilation
        .WithAnalyzers([new WiringAnalyzer()], new CompilationWithAnalyzersOptions(
            new AnalyzerOptions([]), (failure, _, _) => throw new InvalidOperationException($"{failure}"), true, false))
        .GetAnalyzerDiagnosticsAsync(_cancellationToken)
        .GetAwaiter().GetResult()
        .ToLookup(found => int.Parse(
            Path.GetFileNameWithoutExtension(found.Location.SourceTree!.FilePath)[1..], CultureInfo.InvariantCulture));

    private CSharpCompilation Generate(CSharpCompilation compilation)
    {
        GeneratorDriver driver = CSharpGeneratorDriver.Create(new WiringGenerator())
            .RunGeneratorsAndUpdateCompilation(compilation, out Compilation generated, out var problems, _cancellationToken);
        return driver.GetRunResult().Results[0].Exception is { } failure
            ? throw new InvalidOperationException("The generator failed.", failure)
            : problems.IsEmpty ? (CSharpCompilation)generated : throw new InvalidOperationException($"{problems[0]}");
    }

    private byte[] Emit(CSharpCompilation compilation, EmitOptions options)
    {
        using MemoryStream image = new();
        EmitResult result = compilation.Emit(image, options: options, cancellationToken: _cancellationToken);
        Diagnostic? error = result.Diagnostics.FirstOrDefault(each => each.Severity == DiagnosticSeverity.Error);
        return result.Success
            ? image.ToArray()
            : throw new InvalidOperationException($"{error}\n{error?.Location.SourceTree}");
    }

    private CSharpCompilation Compile(string name, IReadOnlyList<(string File, string Text)> files) => CSharpCompilation.Create(
        name,
        [
            CSharpSyntaxTree.ParseText(
                $"{ImplicitUsings.Text}global using Junctivor;", path: "/usings.cs", cancellationToken: _cancellationToken),
            .. files.Select(file => CSharpSyntaxTree.ParseText(file.Text, path: file.File, cancellationToken: _cancellationToken)),
        ],
        References,
        Options);
}
