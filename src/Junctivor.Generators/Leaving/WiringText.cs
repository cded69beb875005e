using Junctivor.Generators.Following;
using Junctivor.Generators.Symbols;
using Junctivor.Graph;
using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Leaving;

/// <summary>Writes a wiring as the text that its assembly leaves behind, so that wirings of other projects can be followed through
/// it.</summary>
/// <param name="compilation">The source.</param>
/// <param name="levels">Where the scope levels are kept.</param>
internal sealed class WiringText(Compilation compilation, LevelFollower levels)
{
    private readonly List<string> _lines = [Words.Version];
    private readonly List<object> _flags = [];
    private readonly List<WrittenRegistration> _written = [];
    private readonly HashSet<ITypeSymbol> _described = new(SymbolEqualityComparer.Default);

    /// <summary>The text of a wiring that is known.</summary>
    /// <exception cref="UnfollowableException">It is of a scope level that other code cannot name.</exception>
    public static string Of(Compilation compilation, LevelFollower levels, IReadOnlyList<WiringEntry> entries)
    {
        WiringText text = new(compilation, levels);
        foreach (WiringEntry entry in entries)
        {
            text.Write(entry);
        }

        return text.ToString();
    }

    /// <summary>The text of one that cannot be followed.</summary>
    /// <param name="unknown">Why.</param>
    /// <param name="compilation">The source.</param>
    public static string OfUnknown(UnfollowableException unknown, Compilation compilation)
    {
        string word = unknown.Obstacle switch { Obstacle.RunTime => Words.RunTime, Obstacle.Size => Words.Size, _ => Words.Unknown };
        return $"{Words.Version}\n{word} {Words.Quote(unknown.Message)}{PlaceOf(unknown.Location, compilation)}";
    }

    /// <summary>A place, with a blank before it; the file as the compiler writes it for callers.</summary>
    public static string PlaceOf(Location location, Compilation compilation)
    {
        FileLinePositionSpan place = location.GetLineSpan();
        string file = compilation.Options.SourceReferenceResolver?.NormalizePath(place.Path, null) ?? place.Path;
        return place.IsValid ? $" {Words.Quote(file)} {place.StartLinePosition.Line + 1}" : "";
    }

    /// <summary>The text of a scope level.</summary>
    public static string Of(Level level, LevelFollower levels) =>
        $"{Words.Version}\n{Words.Level} {Words.Quote(level.Name)} {level.Variable ?? Words.None} "
            + $"{(level.Within is { } outer ? levels.IdOf(outer) ?? Words.None : Words.None)}";

    public override string ToString() => string.Join("\n", _lines);

    /// <summary>The identifier of a type; a type parameter of a method is written by its number alone.</summary>
    public static string IdOf(ITypeSymbol type)
    {
        string id = DocumentationCommentId.CreateReferenceId(type);
        int scope = id.IndexOf(":``", StringComparison.Ordinal);
        while (scope >= 0)
        {
            int start = id.LastIndexOf("M:", scope, StringComparison.Ordinal);
            id = id.Remove(start, scope + 1 - start);
            scope = id.IndexOf(":``", StringComparison.Ordinal);
        }

        return id;
    }

    /// <summary>What stands for a type parameter of the method.</summary>
    public static string ParameterId(int number) => $"``{number}";

    private void Write(WiringEntry entry)
    {
        WrittenRegistration registration = entry.Registration;
        Add(Words.Entry, LevelOf(registration), $"{registration.Kind}", IdOf(registration.Implementation));
        if (_written.Contains(registration))
        {
            Add(Words.Again, $"{_written.IndexOf(registration)}");
        }

        _written.Add(registration);
        Add(Words.For, IdOf(registration.Service));
        foreach (ITypeSymbol service in registration.AlsoServes)
        {
            Add(Words.For, IdOf(service));
        }

        if (registration.Place.IsKnown)
        {
            Add(Words.At, Words.Quote(registration.Place.File), $"{registration.Place.Line}");
        }

        if (registration.GivenPlace is { } given)
        {
            Add(Words.AtGiven, Words.Quote(given.File.Name), Words.Quote(given.Line.Name));
        }

        if (registration.Identity is { } identity)
        {
            Add(Words.Same, Words.Quote(identity));
        }

        WriteMark(registration.Mark, Words.Mark, Words.MarkType, Words.MarkGiven);
        WriteMark(registration.TargetMark, Words.TargetMark, Words.TargetMarkType, Words.TargetMarkGiven);
        WriteOptions(registration);
        WriteConstants(registration);
        WriteFactory(registration.Factory);
        WriteConditions(entry);
        Describe(registration.Implementation);
    }

    private string LevelOf(WrittenRegistration registration) =>
        !registration.Level.IsUsersOwn ? registration.Level.Name
            : levels.IdOf(registration.Level)
                ?? throw new UnfollowableException($"the scope level {registration.Level} is no static field", registration.Location);

    private void WriteMark(object? mark, string text, string type, string given = "")
    {
        if (mark is string named)
        {
            Add(text, Words.Quote(named));
        }
        else if (mark is ITypeSymbol symbol)
        {
            Add(type, IdOf(symbol));
        }
        else if (mark is IParameterSymbol parameter)
        {
            Add(given, Words.Quote(parameter.Name));
        }
    }

    private void WriteOptions(WrittenRegistration registration)
    {
        RegistrationOptions options = registration.Options;
        AddIf(registration.IsDerived, Words.Derived);
        AddIf(registration.IsDecorator, Words.Decorator);
        AddIf(options.IsReplacing, Words.Replacing);
        AddIf(options.IsIfMissing, Words.IfMissing);
        AddIf(options.IsFirstChoice, Words.FirstChoice);
        AddIf(options.IsRoot, Words.ResolvedDirectly);
        AddIf(options.IsSuppliedLater, Words.SuppliedLater);
        AddIf(options.IsOwned == true, Words.Owned);
        AddIf(options.IsOwned == false, Words.NotOwned);
        foreach (Acceptance accepted in options.Accepted)
        {
            Add(Words.Accept, Words.Quote(accepted.Code), Words.Quote(accepted.Reason));
        }

        if (registration.OnlyFor is { } consumer)
        {
            Add(Words.OnlyFor, IdOf(consumer));
        }

        foreach (string warming in registration.Warming)
        {
            Add(Words.Warming, warming);
        }
    }

    private void WriteConstants(WrittenRegistration registration)
    {
        foreach (WrittenConstant constant in registration.Passed)
        {
            Add(
                Words.Passing,
                constant.Parameter is { } name ? Words.Quote(name) : Words.None,
                IdOf(constant.Type),
                IdOf(constant.Actual),
                constant.IsNull ? "null" : constant.IsExact ? "exact" : "some");
        }
    }

    private void WriteFactory(WrittenFactory? factory)
    {
        if (factory is null)
        {
            return;
        }

        string identity = factory.Identity is { } same ? Words.Quote(IdentityOf(same)) : Words.None;
        Add(Words.Factory, factory.IsAsync ? "async" : "direct", identity);
        foreach (WrittenParameter parameter in factory.Parameters)
        {
            Add(
                Words.Takes,
                Words.Quote(parameter.Name),
                IdOf(parameter.Type),
                parameter.IsOptional ? Words.Optional : Words.Required,
                parameter.Obstacle is { } obstacle ? Words.Quote(obstacle) : Words.None);
            WriteMark(parameter.Mark, Words.TakesMark, Words.TakesMarkType);
            AddIf(parameter.Mark == WrittenParameter.AnyMark, Words.TakesMarked);
            AddIf(parameter.IsNullableStructure, Words.TakesNullable);
        }
    }

    private static string IdentityOf(object same) => same switch
    {
        ISymbol { ContainingType.IsGenericType: true } method =>
            $"{DocumentationCommentId.CreateDeclarationId(method)} {IdOf(method.ContainingType)}",
        ISymbol method => DocumentationCommentId.CreateDeclarationId(method) ?? method.ToDisplayString(),
        SyntaxNode syntax => $"{syntax.SyntaxTree.FilePath}:{syntax.SpanStart}",
        ClosedFunction(var syntax, var around) => $"{syntax.SyntaxTree.FilePath}:{syntax.SpanStart} {IdOf(around)}",
        _ => $"{same}",
    };

    private void WriteConditions(WiringEntry entry)
    {
        foreach (Condition condition in entry.Conditions)
        {
            Write(Words.When, condition);
        }

        if (entry.EnabledWhen is { } enabled)
        {
            Write(Words.Enabled, enabled);
        }

        AddIf(entry.IsDisabled, Words.Disabled);
    }

    private void Write(string word, Condition condition)
    {
        if (!_flags.Contains(condition.Flag))
        {
            _flags.Add(condition.Flag);
            if (condition.Flag is IParameterSymbol parameter)
            {
                Add(Words.Given, $"{_flags.Count - 1}", Words.Quote(parameter.Name));
            }
        }

        Add(word, $"{_flags.IndexOf(condition.Flag)}", condition.Value ? "" : Words.Not);
    }

    /// <summary>What a class keeps, as its private fields cannot be seen from another project.</summary>
    private void Describe(ITypeSymbol type)
    {
        if (!_described.Add(type) || !SymbolEqualityComparer.Default.Equals(type.ContainingAssembly, compilation.Assembly))
        {
            return;
        }

        Describe(Words.State, SymbolState.Of(type, compilation));
        Describe(Words.Moments, SymbolState.MomentsOf(type, compilation));

        void Describe(string word, IReadOnlyList<string> names)
        {
            if (names.Count > 0)
            {
                Add(word, [IdOf(type), .. names.Select(Words.Quote)]);
            }
        }
    }

    private void AddIf(bool holds, string word)
    {
        if (holds)
        {
            Add(word);
        }
    }

    private void Add(string word, params IReadOnlyList<string> rest) => _lines.Add(string.Join(" ", rest.Prepend(word)).TrimEnd());
}
