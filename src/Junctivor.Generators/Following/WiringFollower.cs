using Junctivor.Generators.Leaving;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Following;

/// <summary>Follows an expression that gives a wiring to the registrations in it.</summary>
internal sealed class WiringFollower
{
    private const string Library = "Junctivor";
    private const string WiringType = "Junctivor.Wiring";
    private readonly Compilation _compilation;
    private readonly LeftBehind _left;
    private readonly SourceMembers _members;
    private readonly TypeReading _types;
    private readonly ConditionReader _conditions;
    private readonly RegistrationFollower _registrations;
    private readonly LocalUse _locals;
    private readonly Dictionary<ISymbol, IReadOnlyList<WiringEntry>> _kept = new(SymbolEqualityComparer.Default);

    /// <summary>An expression in one evaluation gives one wiring, however often the variable or parameter is used that has it.</summary>
    private readonly Dictionary<(SyntaxNode Expression, Frame Frame), IReadOnlyList<WiringEntry>> _made = [];

    public WiringFollower(Compilation compilation, LeftBehind left, CancellationToken cancellationToken)
    {
        _compilation = compilation;
        _left = left;
        _members = new SourceMembers(compilation, cancellationToken);
        Levels = new LevelFollower(_members, left);
        _types = new TypeReading(compilation);
        _conditions = new ConditionReader(_members);
        _locals = new LocalUse(_members);
        _registrations = new RegistrationFollower(this, _members, _types, _conditions, Levels);
    }

    /// <summary>Follows scope levels.</summary>
    public LevelFollower Levels { get; }

    /// <summary>The files that something was read from.</summary>
    public IEnumerable<SyntaxTree> Files => _members.Files;

    /// <summary>The scope level that a member keeps; null where it makes a new one at each call.</summary>
    public Graph.Level? LevelKept(ISymbol member, Location from) =>
        _members.IsKept(member) ? Levels.FollowMember(member, _members.ValueOf(member, from)) : null;

    /// <summary>The entries of a wiring, in order.</summary>
    /// <exception cref="UnfollowableException">It says something that is known only at run time.</exception>
    public IReadOnlyList<WiringEntry> Follow(IOperation wiring) => Follow(wiring, Frame.Empty);

    /// <summary>The entries of what a member gives.</summary>
    public IReadOnlyList<WiringEntry> FollowMember(ISymbol member, Location from) => Follow(member, from, Frame.Empty);

    /// <summary>The entries of what a member gives to other projects, whatever they call it with.</summary>
    public IReadOnlyList<WiringEntry> FollowTemplate(ISymbol member, Location from) => Follow(member, from, Frame.TemplateOf(member));

    public IReadOnlyList<WiringEntry> Follow(IOperation wiring, Frame frame)
    {
        (IOperation plain, Frame at) = frame.Resolve(wiring);
        if (!_made.TryGetValue((plain.Syntax, at), out IReadOnlyList<WiringEntry>? made))
        {
            _made.Add((plain.Syntax, at), made = Make(plain, at));
        }

        return made;
    }

    private IReadOnlyList<WiringEntry> Make(IOperation plain, Frame at) => plain switch
    {
        IInvocationOperation { TargetMethod.ContainingAssembly.Name: Library } call when Operations.IsRegistration(call.Type) =>
            _registrations.Follow(call, at),
        ICollectionExpressionOperation collection => [.. collection.Elements.SelectMany(element => FollowElement(element, at))],
        IObjectCreationOperation { Arguments.IsEmpty: true } creation when Operations.IsOf(creation.Type, WiringType) =>
            [.. Added(creation).SelectMany(added => _registrations.Follow(added, at))],
        IArrayCreationOperation { Initializer: { } initializer } =>
            [.. initializer.ElementValues.SelectMany(element => _registrations.Follow(element, at))],
        IInvocationOperation call => FollowCall(call, at),
        IPropertyReferenceOperation { Instance: null or IInstanceReferenceOperation } property =>
            FollowOf(property.Property, plain, at),
        IFieldReferenceOperation { Field.IsReadOnly: true } field => FollowOf(field.Field, plain, at),
        ILocalReferenceOperation local => FollowLocal(local, at),
        IConditionalOperation { WhenFalse: { } otherwise } choice => FollowChoice(choice.Condition, choice.WhenTrue, otherwise, at),
        _ => throw Operations.Unknown(plain, "the wiring"),
    };

    private IReadOnlyList<WiringEntry> FollowOf(ISymbol member, IOperation use, Frame frame) =>
        SourceMembers.IsOverridable(member)
            ? throw Operations.Unknown(use, "the wiring")
            : Follow(member, Operations.LocationOf(use), frame with { Types = _types.ArgumentsOf(member.ContainingType, frame) });

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

        return method.ContainingAssembly?.Name == Library || SourceMembers.IsOverridable(method)
            ? throw Operations.Unknown(call, "the wiring")
            : Follow(method.OriginalDefinition, Operations.LocationOf(call), FrameOf(call, frame));
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
        IMethodReferenceOperation { Method.IsStatic: true } method => Follow(
            method.Method, Operations.LocationOf(function), frame with { Types = _types.ArgumentsOf(method.Method, frame) }),
        IAnonymousFunctionOperation { Body.Operations: [IReturnOperation { ReturnedValue: { } returned }] } => Follow(returned, frame),
        _ => throw Operations.Unknown(function, "the function"),
    };

    private IReadOnlyList<WiringEntry> FollowLocal(ILocalReferenceOperation reference, Frame frame)
    {
        IReadOnlyList<IOperation> added = _locals.AddedTo(reference);
        IReadOnlyList<WiringEntry> first = Follow(reference.Local, Operations.LocationOf(reference), frame);
        return added.Count == 0 ? first : [.. first, .. added.SelectMany(registration => _registrations.Follow(registration, frame))];
    }

    private IReadOnlyList<WiringEntry> Follow(ISymbol member, Location from, Frame frame)
    {
        if (_kept.TryGetValue(member, out IReadOnlyList<WiringEntry>? known))
        {
            return known;
        }

        if (member is not ILocalSymbol && _members.IsKept(member) && _locals.ChangeOf(member) is { } change)
        {
            throw new UnfollowableException($"{member.Name} is kept, and other code may add to it", change);
        }

        if (member.DeclaringSyntaxReferences.IsEmpty && _left.LinesFor(member) is { } lines)
        {
            GivenArguments given = new(member, frame, _types, _conditions);
            return new WiringTextReader(_compilation, _left, member, from, given).Read(lines);
        }

        IReadOnlyList<WiringEntry> entries = _members.Inside(member, from, () => Follow(_members.ValueOf(member, from), frame));
        if (_members.IsKept(member) && member is not ILocalSymbol)
        {
            _kept.Add(member, entries);
            Identify(member, entries);
        }

        return entries;
    }

    /// <summary>What a member keeps is the same for all who use it, in other projects too.</summary>
    private static void Identify(ISymbol member, IReadOnlyList<WiringEntry> entries)
    {
        if (DocumentationCommentId.CreateDeclarationId(member) is not { } id)
        {
            return;
        }

        for (int number = 0; number < entries.Count; number++)
        {
            entries[number].Registration.Identity ??= $"{id} {number}";
        }
    }

    private Frame FrameOf(IInvocationOperation call, Frame frame)
    {
        Dictionary<IParameterSymbol, (IOperation, Frame)> arguments = new(SymbolEqualityComparer.Default);
        foreach (IArgumentOperation argument in call.Arguments)
        {
            arguments.Add(argument.Parameter!.OriginalDefinition, (argument.Value, frame));
        }

        return new Frame(arguments, _types.ArgumentsOf(call.TargetMethod, frame)) { IsTemplate = frame.IsTemplate };
    }

    private static IEnumerable<IOperation> Added(IObjectCreationOperation creation) =>
        creation.Initializer is null ? [] : creation.Initializer.Initializers.Select(AddedBy);

    private static IOperation AddedBy(IOperation added) =>
        added is IInvocationOperation { TargetMethod.Name: "Add", Arguments: [var registration] }
            ? registration.Value
            : throw Operations.Unknown(added, "the wiring");
}
