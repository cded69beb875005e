using Junctivor.Generators.Leaving;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Following;

/// <summary>Follows an expression that gives a wiring to the registrations in it.</summary>
internal sealed class WiringFollower
{
    private const string Library = "Junctivor";
    private const string WiringType = "Junctivor.Wiring";

    /// <summary>As many entries no wiring has that was written by hand: modules that each include two others have as many.</summary>
    private const int MostEntries = 100_000;

    private readonly Compilation _compilation;
    private readonly LeftBehind _left;
    private readonly SourceMembers _members;
    private readonly ValueReading _values;
    private readonly TypeReading _types;
    private readonly Frames _frames;
    private readonly ConditionReader _conditions;
    private readonly RegistrationFollower _registrations;
    private readonly ListUses _lists;

    /// <summary>What fields and properties keep, by the member and the object that it belongs to.</summary>
    private readonly Dictionary<(ISymbol Member, CreatedObject? Receiver), IReadOnlyList<WiringEntry>> _kept = [];

    /// <summary>An expression in one evaluation gives one wiring, however often the variable or parameter is used that has it.</summary>
    private readonly Dictionary<(IOperation Expression, Frame Frame), IReadOnlyList<WiringEntry>> _made = [];

    private int _entries;

    public WiringFollower(Compilation compilation, LeftBehind left, CancellationToken cancellationToken)
    {
        _compilation = compilation;
        _left = left;
        _members = new SourceMembers(compilation, cancellationToken);
        _values = new ValueReading(_members);
        _types = new TypeReading(compilation, _values);
        _frames = new Frames(_members, _values, _types);
        _conditions = new ConditionReader(_members, _values, _types);
        _lists = new ListUses(_members);
        Levels = new LevelFollower(_members, left, _values, _types);
        _registrations = new RegistrationFollower(this, _members, _values, _types, _frames, _conditions, Levels);
    }

    /// <summary>Follows scope levels.</summary>
    public LevelFollower Levels { get; }

    /// <summary>The files that something was read from; all files, if a change in any of them could matter.</summary>
    public IEnumerable<SyntaxTree> Files => _members.Uses.HaveSearchedAll ? _compilation.SyntaxTrees : _members.Files;

    /// <summary>The scope level that a member keeps; null if it makes a new one at each call.</summary>
    public Graph.Level? LevelKept(ISymbol member, Location from) =>
        _members.IsKept(member) ? Levels.FollowMember(member, _members.ValueOf(member, from)) : null;

    /// <summary>The entries of a wiring, in order.</summary>
    /// <exception cref="UnfollowableException">It says something that is known only at run time.</exception>
    public IReadOnlyList<WiringEntry> Follow(IOperation wiring) => Follow(wiring, Frame.Empty);

    /// <summary>The entries of what a member gives.</summary>
    public IReadOnlyList<WiringEntry> FollowMember(ISymbol member, Location from) => Follow(member, null, from, Frame.Empty);

    /// <summary>The entries of what a member gives to other projects, whatever they call it with.</summary>
    public IReadOnlyList<WiringEntry> FollowTemplate(ISymbol member, Location from) => Follow(member, null, from, Frame.TemplateOf(member));

    public IReadOnlyList<WiringEntry> Follow(IOperation wiring, Frame frame)
    {
        IOperation plain = Operations.WithoutConversions(wiring);
        if (plain is IParameterReferenceOperation { Parameter: var parameter } && ValueReading.ArgumentOf(parameter, frame) is { } given)
        {
            _members.Uses.RequireUnassigned(parameter);
            return WithAdded(Follow(given.Value, given.Frame), parameter, plain, frame.HomeOf(parameter) ?? frame);
        }

        if (!_made.TryGetValue((plain, frame), out IReadOnlyList<WiringEntry>? made))
        {
            _made.Add((plain, frame), made = Make(plain, frame));
        }

        return made;
    }

    private IReadOnlyList<WiringEntry> Make(IOperation plain, Frame at) => plain switch
    {
        IInvocationOperation { TargetMethod.ContainingAssembly.Name: Library } call when Operations.IsRegistration(call.Type) =>
            _registrations.Follow(call, at),
        ICollectionExpressionOperation collection => Together(collection.Elements.Select(element => FollowElement(element, at)), plain),
        IObjectCreationOperation { Arguments.IsEmpty: true } creation when Operations.IsOf(creation.Type, WiringType) =>
            Together(Added(creation).Select(added => _registrations.Follow(added, at)), plain),
        IArrayCreationOperation { Initializer: { } initializer } =>
            Together(initializer.ElementValues.Select(element => _registrations.Follow(element, at)), plain),
        IArrayCreationOperation { DimensionSizes: [{ ConstantValue: { HasValue: true, Value: 0 } }] } => [],
        IInvocationOperation call => FollowCall(call, at),
        IPropertyReferenceOperation { Property: var property, Arguments.IsEmpty: true } read =>
            FollowMember(property, read.Instance, plain, at),
        IFieldReferenceOperation { Field: var field } read => FollowMember(field, read.Instance, plain, at),
        ILocalReferenceOperation local => FollowLocal(local, at),
        IConditionalOperation { WhenFalse: { } otherwise } choice => FollowChoice(choice.Condition, choice.WhenTrue, otherwise, at),
        _ => throw Operations.Unknown(plain, "the wiring"),
    };

    /// <summary>All entries of several parts, in order.</summary>
    private List<WiringEntry> Together(IEnumerable<IReadOnlyList<WiringEntry>> parts, IOperation at)
    {
        List<WiringEntry> entries = [];
        foreach (IReadOnlyList<WiringEntry> part in parts)
        {
            _entries += part.Count;
            if (_entries > MostEntries)
            {
                throw new UnfollowableException($"it has more than {MostEntries} registrations", Operations.LocationOf(at), Obstacle.Size);
            }

            entries.AddRange(part);
        }

        return entries;
    }

    private IReadOnlyList<WiringEntry> FollowMember(ISymbol member, IOperation? instance, IOperation use, Frame frame) =>
        SourceMembers.IsOverridable(member)
            ? throw Operations.Unknown(use, "the wiring")
            : Follow(
                _types.MemberIn(member, frame), use, Operations.LocationOf(use), _frames.OfMember(member, instance, use, frame));

    private IReadOnlyList<WiringEntry> FollowElement(IOperation element, Frame frame) =>
        element is ISpreadOperation spread ? Follow(spread.Operand, frame) : _registrations.Follow(element, frame);

    private IReadOnlyList<WiringEntry> FollowChoice(IOperation condition, IOperation then, IOperation otherwise, Frame frame) =>
        _conditions.Read(condition, frame) switch
        {
            { Constant: true } => Follow(then, frame),
            { Constant: false } => Follow(otherwise, frame),
            { Condition: var holds } =>
            [
                .. Follow(then, frame).Select(entry => entry.When([holds!])),
                .. Follow(otherwise, frame).Select(entry => entry.When([holds! with { Value = !holds.Value }])),
            ],
        };

    private IReadOnlyList<WiringEntry> FollowCall(IInvocationOperation call, Frame frame)
    {
        IMethodSymbol method = call.TargetMethod;
        if (Operations.IsOf(method.ContainingType, WiringType) && method.Name == "If")
        {
            return FollowIf(call, frame);
        }

        if (Operations.IsOf(method.ContainingType, "Junctivor.SelfRegistered"))
        {
            return SelfRegisteredClasses.Follow(call, _types, frame);
        }

        return method.ContainingAssembly?.Name == Library || Operations.IsOfPlatform(method) || SourceMembers.IsOverridable(method)
            ? throw Operations.Unknown(call, "the wiring")
            : Follow(method.OriginalDefinition, call, Operations.LocationOf(call), _frames.OfCall(call, frame));
    }

    private IReadOnlyList<WiringEntry> FollowIf(IInvocationOperation call, Frame frame)
    {
        (bool? Constant, Condition? Condition) read = _conditions.Read(Operations.Argument(call, "condition"), frame);
        if (read.Constant == false)
        {
            return [];
        }

        IOperation wiring = Operations.WithoutConversions(Operations.Argument(call, "wiring"));
        IReadOnlyList<WiringEntry> entries =
            wiring is IDelegateCreationOperation { Target: var target } ? FollowFunction(target, frame) : Follow(wiring, frame);
        return read.Condition is { } condition ? [.. entries.Select(entry => entry.When([condition]))] : entries;
    }

    private IReadOnlyList<WiringEntry> FollowFunction(IOperation function, Frame frame) => function switch
    {
        IMethodReferenceOperation { Instance: null, Method: var method } when !SourceMembers.IsOverridable(method) =>
            Follow(method.OriginalDefinition, function, Operations.LocationOf(function), _frames.OfMember(method, null, function, frame)),
        IAnonymousFunctionOperation { Body.Operations: [IReturnOperation { ReturnedValue: { } returned }] } => Follow(returned, frame),
        _ => throw Operations.Unknown(function, "the function"),
    };

    private IReadOnlyList<WiringEntry> FollowLocal(ILocalReferenceOperation reference, Frame frame) =>
        frame.HomeOf(reference.Local) is { } home
            ? WithAdded(
                Follow(reference.Local, reference, Operations.LocationOf(reference), home), reference.Local, reference, home)
            : throw Operations.Unknown(reference, "the wiring");

    /// <summary>What a variable or parameter begins with, and what is added to it before a use.</summary>
    private IReadOnlyList<WiringEntry> WithAdded(IReadOnlyList<WiringEntry> first, ISymbol variable, IOperation use, Frame home)
    {
        IReadOnlyList<IOperation> added = _lists.AddedBefore(variable, use);
        return added.Count == 0
            ? first
            : Together([first, .. added.Select(registration => _registrations.Follow(registration, home))], use);
    }

    /// <summary>The entries of a member.</summary>
    /// <param name="member">The member; of a closed generic type where it keeps what it gives.</param>
    /// <param name="use">Where it is used; null if the wiring begins with it.</param>
    /// <param name="from">The same, as a place.</param>
    /// <param name="frame">The frame in which it is evaluated.</param>
    private IReadOnlyList<WiringEntry> Follow(ISymbol member, IOperation? use, Location from, Frame frame)
    {
        bool isKept = member is not ILocalSymbol && _members.IsKept(member);
        if (isKept && _kept.TryGetValue((member, frame.Receiver), out IReadOnlyList<WiringEntry>? known))
        {
            return known;
        }

        IReadOnlyList<string>? lines = _members.IsHere(member) ? null : _left.LinesFor(member);
        if (isKept || (lines is not null && member is IFieldSymbol or IPropertySymbol))
        {
            _lists.RequireUnchanged(member);
        }

        if (lines is not null)
        {
            GivenArguments given = new(member, from, frame, _types, _conditions, _values);
            return new WiringTextReader(_compilation, _left, member, from, given).Read(lines);
        }

        IReadOnlyList<WiringEntry> entries = _members.Inside(member, from, () => Follow(_members.ValueOf(member, from), frame));
        if (isKept)
        {
            _kept.Add((member, frame.Receiver), entries);
            Identify(member, entries);
        }

        return entries;
    }

    /// <summary>What a static member keeps is the same for all who use it, in other projects too.</summary>
    public static void Identify(ISymbol member, IReadOnlyList<WiringEntry> entries)
    {
        if (!member.IsStatic || DocumentationCommentId.CreateDeclarationId(member) is not { } id)
        {
            return;
        }

        string closed = member.ContainingType.IsGenericType ? $" {WiringText.IdOf(member.ContainingType)}" : "";
        for (int number = 0; number < entries.Count; number++)
        {
            entries[number].Registration.Identity ??= $"{id}{closed} {number}";
        }
    }

    private static IEnumerable<IOperation> Added(IObjectCreationOperation creation) =>
        creation.Initializer is null ? [] : creation.Initializer.Initializers.Select(AddedBy);

    private static IOperation AddedBy(IOperation added) =>
        added is IInvocationOperation { TargetMethod.Name: "Add", Arguments: [var registration] } call
        && Operations.IsOf(call.TargetMethod.ContainingType, WiringType)
            ? registration.Value
            : throw Operations.Unknown(added, "the wiring");
}
