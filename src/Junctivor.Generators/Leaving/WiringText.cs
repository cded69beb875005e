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
    private readonly SymbolTypes _types = new(Edition.Of(compilation));
    private readonly List<string> _lines = [WiringWords.Version];
    private readonly List<object> _flags = [];
    private readonly List<WrittenRegistration> _written = [];
    private readonly HashSet<ITypeSymbol> _described = new(SymbolEqualityComparer.Default);

    /// <summary>The text of a wiring that is known.</summary>
    /// <exception cref="UnfollowableException">It is of a scope level that other code cannot name.</exception>
    /// <param name="compilation">The source.</param>
    /// <param name="levels">Where the scope levels are kept.</param>
    /// <param name="entries">What is in the wiring.</param>
    /// <param name="isChecked">Whether it has <c>[CheckedWiring]</c>.</param>
    /// <param name="isKept">Whether each use gives the same wiring.</param>
    public static string Of(Compilation compilation, LevelFollower levels, IReadOnlyList<WiringEntry> entries, bool isChecked, bool isKept)
    {
        WiringText text = new(compilation, levels);
        text.AddIf(isChecked, WiringWords.Checked);
        text.AddIf(isKept, WiringWords.Kept);
        foreach (WiringEntry entry in entries)
        {
            text.Write(entry);
        }

        return text.ToString();
    }

    /// <summary>The text of the entries that a method adds to a wiring that it gets.</summary>
    /// <exception cref="UnfollowableException">It is of a scope level that other code cannot name.</exception>
    public static string OfAdded(
        Compilation compilation, LevelFollower levels, IReadOnlyList<WiringEntry> entries, IParameterSymbol parameter, bool returns)
    {
        WiringText text = new(compilation, levels);
        text.Add(WiringWords.Adds, WiringWords.Quote(parameter.Name), returns ? WiringWords.Returned : WiringWords.None);
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
        string word = unknown.Obstacle switch
        {
            Obstacle.RunTime => WiringWords.RunTime,
            Obstacle.Size => WiringWords.Size,
            _ => WiringWords.Unknown,
        };
        return $"{WiringWords.Version}\n{word} {WiringWords.Quote(unknown.Message)}{PlaceOf(unknown.Location, compilation)}";
    }

    /// <summary>A place, with a blank before it; the file as the compiler writes it for callers.</summary>
    public static string PlaceOf(Location location, Compilation compilation)
    {
        FileLinePositionSpan place = location.GetLineSpan();
        string file = compilation.Options.SourceReferenceResolver?.NormalizePath(place.Path, null) ?? place.Path;
        return place.IsValid ? $" {WiringWords.Quote(file)} {place.StartLinePosition.Line + 1}" : "";
    }

    /// <summary>The text of a scope level.</summary>
    public static string Of(Level level, LevelFollower levels) =>
        $"{WiringWords.Version}\n{WiringWords.Level} {WiringWords.Quote(level.Name)} {level.Variable ?? WiringWords.None} "
            + $"{(level.Within is { } outer ? levels.IdOf(outer) ?? WiringWords.None : WiringWords.None)}";

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
        Add(WiringWords.Entry, LevelOf(registration), $"{registration.Kind}", IdOf(registration.Implementation));
        if (_written.Contains(registration))
        {
            Add(WiringWords.Again, $"{_written.IndexOf(registration)}");
        }

        _written.Add(registration);
        Add(WiringWords.For, IdOf(registration.Service));
        foreach (ITypeSymbol service in registration.AlsoServes)
        {
            Add(WiringWords.For, IdOf(service));
        }

        if (registration.Place.IsKnown)
        {
            Add(WiringWords.At, WiringWords.Quote(registration.Place.File), $"{registration.Place.Line}");
        }

        if (registration.GivenPlace is { } given)
        {
            Add(WiringWords.AtGiven, WiringWords.Quote(given.File.Name), WiringWords.Quote(given.Line.Name));
        }

        if (registration.Identity is { } identity)
        {
            Add(WiringWords.Same, WiringWords.Quote(identity));
        }

        WriteMark(registration.Mark, WiringWords.Mark, WiringWords.MarkType, WiringWords.MarkGiven);
        WriteMark(registration.TargetMark, WiringWords.TargetMark, WiringWords.TargetMarkType, WiringWords.TargetMarkGiven);
        WriteOptions(registration);
        WriteConstants(registration);
        WriteFactory(registration.Factory);
        WriteConditions(entry);
        Describe(registration.Implementation);
    }

    private string LevelOf(WrittenRegistration registration) =>
        !registration.Level.IsUsersOwn ? registration.Level.Name
            : levels.IdOf(registration.Level)
                ?? throw new UnfollowableException($"the scope level {registration.Level} is not a static field", registration.Location);

    private void WriteMark(object? mark, string text, string type, string given = "")
    {
        if (mark is string named)
        {
            Add(text, WiringWords.Quote(named));
        }
        else if (mark is ITypeSymbol symbol)
        {
            Add(type, IdOf(symbol));
        }
        else if (mark is IParameterSymbol parameter)
        {
            Add(given, WiringWords.Quote(parameter.Name));
        }
    }

    private void WriteOptions(WrittenRegistration registration)
    {
        RegistrationOptions options = registration.Options;
        AddIf(registration.IsDerived, WiringWords.Derived);
        AddIf(registration.IsDecorator, WiringWords.Decorator);
        if (options.Flags != RegistrationFlags.None)
        {
            Add(WiringWords.Options, $"{options.Flags}".Replace(",", ""));
        }

        foreach (Acceptance accepted in options.Accepted)
        {
            Add(WiringWords.Accept, WiringWords.Quote(accepted.Code), WiringWords.Quote(accepted.Reason));
        }

        if (registration.OnlyFor is { } consumer)
        {
            Add(WiringWords.OnlyFor, IdOf(consumer));
        }

        foreach (string warming in registration.Warming)
        {
            Add(WiringWords.Warming, warming);
        }
    }

    private void WriteConstants(WrittenRegistration registration)
    {
        foreach (WrittenConstant constant in registration.Passed)
        {
            Add(
                WiringWords.Passing,
                constant.Parameter is { } name ? WiringWords.Quote(name) : WiringWords.None,
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

        string identity = factory.Identity is { } same ? WiringWords.Quote(IdentityOf(same)) : WiringWords.None;
        Add(WiringWords.Factory, factory.IsAsync ? "async" : "direct", identity);
        foreach (WrittenParameter parameter in factory.Parameters)
        {
            Add(
                WiringWords.Takes,
                WiringWords.Quote(parameter.Name),
                IdOf(parameter.Type),
                parameter.IsOptional ? WiringWords.Optional : WiringWords.Required,
                parameter.Obstacle is { } obstacle ? WiringWords.Quote(obstacle) : WiringWords.None);
            WriteMark(parameter.Mark, WiringWords.TakesMark, WiringWords.TakesMarkType);
            AddIf(parameter.Mark == WrittenParameter.AnyMark, WiringWords.TakesMarked);
            AddIf(parameter.IsNullableStructure, WiringWords.TakesNullable);
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
            Write(WiringWords.When, condition);
        }

        if (entry.EnabledWhen is { } enabled)
        {
            Write(WiringWords.Enabled, enabled);
        }

        AddIf(entry.IsDisabled, WiringWords.Disabled);
    }

    private void Write(string word, Condition condition)
    {
        if (!_flags.Contains(condition.Flag))
        {
            _flags.Add(condition.Flag);
            if (condition.Flag is IParameterSymbol parameter)
            {
                Add(WiringWords.Given, $"{_flags.Count - 1}", WiringWords.Quote(parameter.Name));
            }
        }

        Add(word, $"{_flags.IndexOf(condition.Flag)}", condition.Value ? "" : WiringWords.Not);
    }

    /// <summary>What a class keeps, as its private fields cannot be seen from another project.</summary>
    private void Describe(ITypeSymbol type)
    {
        if (!_described.Add(type) || !SymbolEqualityComparer.Default.Equals(type.ContainingAssembly, compilation.Assembly))
        {
            return;
        }

        Describe(WiringWords.State, _types.StateOf(type));
        Describe(WiringWords.Moments, _types.MomentsOf(type));

        void Describe(string word, IReadOnlyList<string> names)
        {
            if (names.Count > 0)
            {
                Add(word, [IdOf(type), .. names.Select(WiringWords.Quote)]);
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
