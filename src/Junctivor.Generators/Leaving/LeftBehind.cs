using Junctivor.Generators.Following;
using Junctivor.Generators.Symbols;
using Junctivor.Graph;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Leaving;

/// <summary>What the assemblies that a compilation references left behind: their wirings and scope levels, and what their classes
/// keep.</summary>
/// <param name="compilation">The compilation.</param>
internal sealed class LeftBehind(Compilation compilation)
{
    public const string Attribute = "Junctivor.CompilerServices.FollowedWiringAttribute";

    private readonly Dictionary<IAssemblySymbol, IReadOnlyDictionary<string, string>> _texts = new(SymbolEqualityComparer.Default);
    private readonly Dictionary<ITypeSymbol, IReadOnlyList<string>> _state = new(SymbolEqualityComparer.Default);
    private readonly Dictionary<ITypeSymbol, IReadOnlyList<string>> _moments = new(SymbolEqualityComparer.Default);
    private readonly Dictionary<string, WrittenRegistration> _kept = [];
    private readonly Dictionary<string, Level> _levels = [];

    /// <summary>The lines that were left for a member; null if there are none.</summary>
    public IReadOnlyList<string>? LinesFor(ISymbol member) => member.ContainingAssembly is { } assembly
        && DocumentationCommentId.CreateDeclarationId(member.OriginalDefinition) is { } id
        && TextsOf(assembly).TryGetValue(id, out string? text)
            ? text.Split('\n')
            : null;

    /// <summary>Whether a method adds to a wiring that is passed to it.</summary>
    public bool Adds(IMethodSymbol method) => AddsLine(method) is not null;

    /// <summary>Whether a method that adds to the argument for a parameter returns it; null if it is not known to add to it.</summary>
    public bool? AddsTo(IMethodSymbol method, IParameterSymbol parameter) =>
        AddsLine(method) is [_, string name, string returned] && name == parameter.Name ? returned == WiringWords.Returned : null;

    /// <summary>The wiring that a call adds to.</summary>
    public IOperation AddedTo(IMethodSymbol method, IInvocationOperation call) =>
        AddsLine(method) is [_, string name, ..] ? Operations.ArgumentOrNull(call, name) ?? call.Instance! : call;

    private IReadOnlyList<string>? AddsLine(IMethodSymbol method) =>
        LinesFor(method) is [_, string second, ..] && WiringWords.Split(second) is [WiringWords.Adds, _, _] words ? words : null;

    /// <summary>What a class keeps of its own; null if nothing was left.</summary>
    public IReadOnlyList<string>? StateOf(ITypeSymbol type) => Described(type, _state);

    /// <summary>What it keeps of the moment at which it was created; null if nothing was left.</summary>
    public IReadOnlyList<string>? MomentsOf(ITypeSymbol type) => Described(type, _moments);

    public void KeepState(ITypeSymbol type, IReadOnlyList<string> names) => _state[type] = names;

    public void KeepMoments(ITypeSymbol type, IReadOnlyList<string> names) => _moments[type] = names;

    /// <summary>The one registration of an identity.</summary>
    public WrittenRegistration Same(string identity, WrittenRegistration registration)
    {
        if (!_kept.TryGetValue(identity, out WrittenRegistration? known))
        {
            _kept.Add(identity, known = registration);
            known.Identity = identity;
        }

        return known;
    }

    /// <summary>The scope level of a field or property of another assembly; null if nothing was left of it.</summary>
    public Level? LevelOf(ISymbol member) =>
        DocumentationCommentId.CreateDeclarationId(member) is { } id ? LevelOf(id, member) : null;

    /// <summary>The scope level of an identifier.</summary>
    public Level? LevelOf(string id) => DocumentationCommentId.GetFirstSymbolForDeclarationId(id, compilation) is { } member
        ? LevelOf(id, member)
        : null;

    private Level? LevelOf(string id, ISymbol member)
    {
        if (!_levels.TryGetValue(id, out Level? level)
            && LinesFor(member) is [_, string line]
            && WiringWords.Split(line) is [WiringWords.Level, string name, string variable, string within])
        {
            level = new Level(name, within == WiringWords.None ? null : LevelOf(within), variable == WiringWords.None ? null : variable);
            _levels.Add(id, level);
        }

        return level;
    }

    private static IReadOnlyList<string>? Described(ITypeSymbol type, Dictionary<ITypeSymbol, IReadOnlyList<string>> known) =>
        known.TryGetValue(type, out IReadOnlyList<string>? names) ? names : null;

    private IReadOnlyDictionary<string, string> TextsOf(IAssemblySymbol assembly)
    {
        if (!_texts.TryGetValue(assembly, out IReadOnlyDictionary<string, string>? texts))
        {
            _texts.Add(assembly, texts = Read(assembly));
        }

        return texts;
    }

    /// <summary>Whether an assembly was compiled with the generator: then it also lists the classes that register themselves, or that there
    /// are none.</summary>
    public static bool IsIn(IAssemblySymbol? assembly) => assembly is not null && assembly.GetAttributes()
        .Any(attribute => IsOf(attribute, Attribute) || IsOf(attribute, "Junctivor.CompilerServices.SelfRegisteredClassAttribute"));

    private static bool IsOf(AttributeData attribute, string name) =>
        attribute.AttributeClass is { } type && SymbolNames.Definition(type) == name;

    /// <summary>All that an assembly left behind of wirings and scope levels.</summary>
    public static IEnumerable<(string Member, string Text)> AllOf(IAssemblySymbol assembly) =>
        from attribute in assembly.GetAttributes()
        where IsOf(attribute, Attribute) && attribute.ConstructorArguments is [{ Value: string }, { Value: string }]
        select ((string)attribute.ConstructorArguments[0].Value!, (string)attribute.ConstructorArguments[1].Value!);

    private static Dictionary<string, string> Read(IAssemblySymbol assembly)
    {
        Dictionary<string, string> texts = [];
        foreach ((string member, string text) in AllOf(assembly))
        {
            texts[member] = text;
        }

        return texts;
    }
}
