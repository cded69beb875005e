using Junctivor.Generators.Following;
using Junctivor.Generators.Symbols;
using Junctivor.Graph;
using Microsoft.CodeAnalysis;

namespace Junctivor.Generators.Leaving;

/// <summary>Reads the text that an assembly left behind for a wiring.</summary>
/// <param name="compilation">Where types are found by their identifiers.</param>
/// <param name="left">Keeps what is known of classes, and which registrations are one.</param>
/// <param name="member">The property, field or method that gives the wiring.</param>
/// <param name="from">Where it is used.</param>
/// <param name="given">What it is called with.</param>
internal sealed class WiringTextReader(
    Compilation compilation, LeftBehind left, ISymbol member, Location from, GivenArguments given)
{
    private readonly Dictionary<string, (bool? Constant, Condition? Condition)> _conditions = [];

    /// <summary>By their numbers in the text.</summary>
    private readonly List<WrittenRegistration> _read = [];

    /// <summary>What decides is another thing for each wiring; of a method, for each call.</summary>
    private readonly object _call = given.AreSome ? new object() : member.ToDisplayString();

    /// <summary>The entries of the wiring.</summary>
    /// <exception cref="UnfollowableException">It is known only at run time, or the text is of a version that is not known.</exception>
    public IReadOnlyList<WiringEntry> Read(IReadOnlyList<string> lines)
    {
        if (lines[0] != WiringWords.Version)
        {
            throw new UnfollowableException($"{Where} was compiled by another version of Junctivor", from);
        }

        List<WiringEntry> entries = [];
        EntryLines current = new();
        foreach (IReadOnlyList<string> words in lines.Skip(1).Select(WiringWords.Split).Where(words => words.Count > 0))
        {
            switch (words[0])
            {
                case WiringWords.Unknown:
                    throw new UnfollowableException($"in {Where}, {words[1]}", from);
                case WiringWords.RunTime:
                    throw new UnfollowableException($"in {Where}, {words[1]}", from, Obstacle.RunTime);
                case WiringWords.Size:
                    throw new UnfollowableException($"in {Where}, {words[1]}", from, Obstacle.Size);
                case WiringWords.Checked or WiringWords.Adds or WiringWords.Kept:
                    continue;
                case WiringWords.State:
                    left.KeepState(TypeOf(words[1]), [.. words.Skip(2)]);
                    continue;
                case WiringWords.Moments:
                    left.KeepMoments(TypeOf(words[1]), [.. words.Skip(2)]);
                    continue;
                case WiringWords.Given:
                    _conditions.Add(words[1], given.ConditionOf(words[2]));
                    continue;
                case WiringWords.Entry when !current.IsEmpty:
                    entries.AddRange(Entry(current));
                    current = new EntryLines();
                    current.Add(words);
                    continue;
                default:
                    current.Add(words);
                    continue;
            }
        }

        return current.IsEmpty ? entries : [.. entries, .. Entry(current)];
    }

    private string Where => $"{member.ContainingType?.Name}.{member.Name} of {member.ContainingAssembly.Name}";

    /// <summary>The entry; nothing where what was passed leaves it out.</summary>
    private IEnumerable<WiringEntry> Entry(EntryLines lines)
    {
        IReadOnlyList<string> head = lines.Head;
        IReadOnlyList<ITypeSymbol> services = [.. lines.All(WiringWords.For).Select(words => TypeOf(words[1]))];
        WrittenRegistration registration = new()
        {
            Service = services[0],
            AlsoServes = [.. services.Skip(1)],
            Level = LevelOf(head[1]),
            Kind = (NodeKind)Enum.Parse(typeof(NodeKind), head[2]),
            Implementation = TypeOf(head[3]),
            Place = PlaceOf(lines),
            GivenPlace = lines.One(WiringWords.AtGiven) is [_, string givenFile, string givenLine]
                ? given.OpenPlaceOf(givenFile, givenLine)
                : null,
            Location = from,
            Mark = MarkOf(lines, WiringWords.Mark, WiringWords.MarkType, WiringWords.MarkGiven),
            TargetMark = MarkOf(lines, WiringWords.TargetMark, WiringWords.TargetMarkType, WiringWords.TargetMarkGiven),
            IsDerived = lines.Has(WiringWords.Derived),
            IsDecorator = lines.Has(WiringWords.Decorator),
            OnlyFor = lines.One(WiringWords.OnlyFor) is [_, string consumer] ? TypeOf(consumer) : null,
            Options = OptionsOf(lines),
            Warming = [.. lines.All(WiringWords.Warming).Select(words => words[1])],
            Passed = [.. lines.All(WiringWords.Passing).Select(ConstantOf)],
            Factory = ReadFactory(lines),
        };
        IReadOnlyList<(bool? Constant, Condition? Condition)> conditions = [.. lines.All(WiringWords.When).Select(ConditionOf)];
        (bool? Constant, Condition? Condition) enabled = lines.One(WiringWords.Enabled) is { } said ? ConditionOf(said) : default;
        WrittenRegistration same = Same(registration, lines);
        return conditions.Any(condition => condition.Constant == false)
            ? []
            :
            [
                new WiringEntry(
                    same,
                    [.. conditions.Select(condition => condition.Condition).OfType<Condition>()])
                {
                    EnabledWhen = enabled.Condition,
                    IsDisabled = lines.Has(WiringWords.Disabled) || enabled.Constant == false,
                },
            ];
    }

    /// <summary>The registration itself, or the one that is the same object.</summary>
    private WrittenRegistration Same(WrittenRegistration registration, EntryLines lines)
    {
        WrittenRegistration same = lines.One(WiringWords.Same) is [_, string identity] ? left.Same(identity, registration)
            : lines.One(WiringWords.Again) is [_, string number] ? _read[int.Parse(number)]
            : registration;
        _read.Add(same);
        return same;
    }

    private SourcePlace PlaceOf(EntryLines lines) =>
        lines.One(WiringWords.At) is [_, string file, string line] ? new SourcePlace(file, int.Parse(line))
        : lines.One(WiringWords.AtGiven) is [_, string givenFile, string givenLine] ? given.PlaceOf(givenFile, givenLine)
        : default;

    private RegistrationOptions OptionsOf(EntryLines lines) => new()
    {
        Flags = (lines.One(WiringWords.Options) ?? []).Skip(1).Aggregate(RegistrationFlags.None, (flags, name) => flags | FlagOf(name)),
        HasWarmUp = lines.Has(WiringWords.Warming),
        Accepted = [.. lines.All(WiringWords.Accept).Select(words => new Acceptance(words[1], words[2]))],
    };

    private RegistrationFlags FlagOf(string name) => Enum.TryParse(name, out RegistrationFlags flag)
        ? flag
        : throw new UnfollowableException($"in {Where}, the option {name} is not known", from);

    private WrittenConstant ConstantOf(IReadOnlyList<string> words) => new(
        words[1] == WiringWords.None ? null : words[1], TypeOf(words[2]), TypeOf(words[3]), words[4] == "exact", words[4] == "null", from);

    private WrittenFactory? ReadFactory(EntryLines lines)
    {
        if (lines.One(WiringWords.Factory) is not [_, string how, string identity])
        {
            return null;
        }

        List<WrittenParameter> parameters = [];
        foreach (IReadOnlyList<string> words in lines.Lines)
        {
            switch (words[0])
            {
                case WiringWords.Takes:
                    parameters.Add(new WrittenParameter(
                        words[1],
                        TypeOf(words[2]),
                        null,
                        words[3] == WiringWords.Optional,
                        words[4] == WiringWords.None ? null : words[4]));
                    break;
                case WiringWords.TakesMark:
                    parameters[^1] = parameters[^1] with { Mark = words[1] };
                    break;
                case WiringWords.TakesMarkType:
                    parameters[^1] = parameters[^1] with { Mark = TypeOf(words[1]) };
                    break;
                case WiringWords.TakesNullable:
                    parameters[^1] = parameters[^1] with { IsNullableStructure = true };
                    break;
                case WiringWords.TakesMarked:
                    parameters[^1] = parameters[^1] with { Mark = WrittenParameter.AnyMark };
                    break;
                default:
                    break;
            }
        }

        return new WrittenFactory(parameters, identity == WiringWords.None ? null : identity, how == "async");
    }

    private object? MarkOf(EntryLines lines, string text, string type, string parameter) =>
        lines.One(text) is [_, string named] ? named
        : lines.One(type) is [_, string symbol] ? TypeOf(symbol)
        : lines.One(parameter) is [_, string passed] ? given.MarkOf(passed)
        : null;

    /// <summary>What decides, as far as it is passed; the rest is not known here.</summary>
    private (bool? Constant, Condition? Condition) ConditionOf(IReadOnlyList<string> words)
    {
        bool isPlain = words.Count == 2;
        (bool? constant, Condition? condition) =
            _conditions.TryGetValue(words[1], out (bool?, Condition?) known) ? known : (null, new Condition((_call, words[1]), true));
        return isPlain ? (constant, condition) : (!constant, condition is null ? null : condition with { Value = !condition.Value });
    }

    private Level LevelOf(string word) => word switch
    {
        "singleton" => Level.Singleton,
        "scoped" => Level.Scoped,
        "transient" => Level.Transient,
        _ => left.LevelOf(word) ?? throw new UnfollowableException($"in {Where}, the scope level {word} is not known", from),
    };

    private ITypeSymbol TypeOf(string id) => DocumentationCommentId.GetFirstSymbolForReferenceId(given.In(id), compilation) as ITypeSymbol
        ?? throw new UnfollowableException($"in {Where}, {id} is of an assembly that is not referenced", from);
}
