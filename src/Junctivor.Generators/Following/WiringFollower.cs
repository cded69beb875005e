using Junctivor.Generators.Leaving;
using Junctivor.Graph;
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
    private readonly SharedModules? _shared;
    private readonly CancellationToken _cancellationToken;
    private readonly SourceMembers _members;
    private readonly ValueReading _values;
    private readonly TypeReading _types;
    private readonly Frames _frames;
    private readonly ConditionReader _conditions;
    private readonly RegistrationFollower _registrations;
    private readonly ListUses _lists;
    private readonly CallReader _calls;
    private readonly SequenceReader _sequences;
    private readonly ListContents _contents;

    /// <summary>What fields and properties keep, by the member and the object that it belongs to.</summary>
    private readonly Dictionary<(ISymbol Member, CreatedObject? Receiver), IReadOnlyList<WiringEntry>> _kept = [];

    /// <summary>An expression in one evaluation gives one wiring, however often the variable or parameter is used that has it.</summary>
    private readonly Dictionary<(IOperation Expression, Frame Frame), IReadOnlyList<WiringEntry>> _made = [];

    /// <summary>The entries that methods of other projects add, by call.</summary>
    private readonly Dictionary<(IOperation Call, Frame Frame), IReadOnlyList<WiringEntry>> _added = [];

    private int _entries;
    private bool _hasKept;

    public WiringFollower(Compilation compilation, LeftBehind left, CancellationToken cancellationToken)
        : this(new SourceModels(compilation), left, null, cancellationToken)
    {
    }

    /// <param name="models">The source.</param>
    /// <param name="left">What other assemblies left behind.</param>
    /// <param name="shared">The modules that are followed by themselves; null for none.</param>
    /// <param name="cancellationToken">Ends it.</param>
    public WiringFollower(SourceModels models, LeftBehind left, SharedModules? shared, CancellationToken cancellationToken)
    {
        _compilation = models.Compilation;
        _left = left;
        _shared = shared;
        _cancellationToken = cancellationToken;
        _members = new SourceMembers(models, cancellationToken);
        _values = new ValueReading(_members);
        _types = new TypeReading(models.Compilation, _values);
        ObjectUses objects = new(_members);
        _frames = new Frames(_members, _values, _types, objects);
        _conditions = new ConditionReader(_members, _values, _types);
        _lists = new ListUses(_members, left, objects);
        _calls = new CallReader(_members, _values, _types, _frames);
        _sequences = new SequenceReader(this, _members, _values, _frames, _conditions, _lists);
        Levels = new LevelFollower(_members, left, _values, _types);
        _registrations = new RegistrationFollower(this, _members, _values, _types, _frames, _conditions, Levels, _calls);
        _contents = new ListContents(this, _registrations, _members, _lists, _calls, _conditions, _sequences);
        _frames.CallsRun = _contents.CallsBefore;
    }

    /// <summary>Follows scope levels.</summary>
    public LevelFollower Levels { get; }

    /// <summary>The source.</summary>
    public SourceModels Models => _members.Models;

    /// <summary>What was read.</summary>
    public SourceDependencies Dependencies => _members.Dependencies;

    /// <summary>Whether it found something that is one object for all who use it: a kept wiring, or a scope level.</summary>
    public bool HasKept => _hasKept || _kept.Count > 0 || _registrations.HasKept || Levels.HasKept;

    /// <summary>The scope level that a member keeps; null if it makes a new one at each call.</summary>
    public Graph.Level? LevelKept(ISymbol member, Location from) =>
        _members.IsKept(member) ? Levels.FollowMember(member, _members.ValueOf(member, from)) : null;

    /// <summary>The entries of a wiring, in order.</summary>
    /// <exception cref="UnfollowableException">It says something that is known only at run time.</exception>
    public IReadOnlyList<WiringEntry> Follow(IOperation wiring) => Follow(wiring, Frame.Empty);

    /// <summary>The entries of what a member gives.</summary>
    public IReadOnlyList<WiringEntry> FollowMember(ISymbol member, Location from) => Follow(member, from, Frame.Empty);

    /// <summary>The entries of what a member gives to other projects, whatever they call it with.</summary>
    public IReadOnlyList<WiringEntry> FollowTemplate(ISymbol member, Location from) => Follow(member, from, Frame.TemplateOf(member));

    /// <summary>The registration that a member gives to other projects, for any arguments.</summary>
    public IReadOnlyList<WiringEntry> FollowRegistrationTemplate(ISymbol member, Location from) =>
        _registrations.FollowTemplate(member, from);

    /// <summary>The entries that a method adds to a wiring that other projects pass to it, and whether it returns that wiring.</summary>
    public (IReadOnlyList<WiringEntry> Added, bool Returns) FollowAdded(IMethodSymbol method, IParameterSymbol parameter, Location from)
    {
        parameter = Functions.InBody(parameter);
        IReadOnlyList<IOperation> statements =
            _members.StatementsOf(method) ?? throw new UnfollowableException($"{method.Name} has no body", from);
        if (_lists.Additions.AdditionsTo(parameter).FirstOrDefault(each => each.Kind == ListAdditionKind.Assigned) is { } assigned)
        {
            throw Unfollowable.AnotherValue(parameter, Operations.LocationOf(assigned.Node));
        }

        if (method.IsIterator || method.IsAsync)
        {
            throw Unfollowable.AddedInSomeRuns(from);
        }

        bool returns = Operations.IsOf(method.ReturnType, WiringType);
        return !returns || _lists.ReturnsOnly(method, parameter)
            ? (_contents.AtEnd(parameter, statements, Frame.TemplateOf(method), []), returns)
            : throw new UnfollowableException($"{method.Name} returns another wiring than the one that it gets", from);
    }

    /// <summary>The entries that a method of another project adds to a wiring that is passed to it; null for a method of this
    /// source.</summary>
    public IReadOnlyList<WiringEntry>? AddedByOther(IInvocationOperation call, Frame frame)
    {
        IMethodSymbol method = call.TargetMethod;
        if (_members.IsHere(method) || !_left.Adds(method))
        {
            return null;
        }

        if (!_added.TryGetValue((call, frame), out IReadOnlyList<WiringEntry>? known))
        {
            known = ReadLeft(method, _left.LinesFor(method)!, Operations.LocationOf(call), _frames.OfCall(call, frame));
            _added.Add((call, frame), known);
        }

        return known;
    }

    public IReadOnlyList<WiringEntry> Follow(IOperation wiring, Frame frame)
    {
        IOperation plain = Operations.WithoutConversions(wiring);
        if (Variable(plain) is { } variable && ValueReading.ArgumentOf(variable, frame) is { } given)
        {
            return _contents.At(variable, frame.HomeOf(variable) ?? frame, Follow(given.Value, given.Frame), plain);
        }

        if (!_made.TryGetValue((plain, frame), out IReadOnlyList<WiringEntry>? made))
        {
            _made.Add((plain, frame), made = Make(plain, frame));
        }

        return made;
    }

    private static ISymbol? Variable(IOperation plain) => plain switch
    {
        IParameterReferenceOperation { Parameter: var parameter } => parameter,
        ILocalReferenceOperation { Local: var local } => local,
        _ => null,
    };

    private IReadOnlyList<WiringEntry> Make(IOperation plain, Frame at) => plain switch
    {
        IInvocationOperation { TargetMethod.ContainingAssembly.Name: Library } call when Operations.IsRegistration(call.Type) =>
            _registrations.Follow(call, at),
        ICollectionExpressionOperation collection => Together(collection.Elements.Select(element => FollowElement(element, at)), plain),
        IObjectCreationOperation creation when Operations.IsRegistrations(creation.Type) || IsTask(creation.Type) =>
            FollowCreation(creation, at),
        IArrayCreationOperation { Initializer: { } initializer } =>
            Together(initializer.ElementValues.Select(element => _registrations.Follow(element, at)), plain),
        IArrayCreationOperation { DimensionSizes: [{ ConstantValue: { HasValue: true, Value: 0 } }] } => [],
        IInvocationOperation call => FollowCall(call, at),
        IPropertyReferenceOperation { Property: { Name: "Value", ContainingType: var type }, Instance: { } lazy } when IsLazy(type) =>
            FollowLazy(lazy, plain, at),
        IPropertyReferenceOperation { Property: { Name: "Result", ContainingType: var type }, Instance: { } task } when IsTask(type) =>
            Follow(task, at),
        IPropertyReferenceOperation { Property: var property, Arguments.IsEmpty: true } read =>
            FollowMember(property, read.Instance, plain, at),
        IFieldReferenceOperation { Field: var field } read => FollowMember(field, read.Instance, plain, at),
        ILocalReferenceOperation local => FollowLocal(local, at),
        IConditionalOperation { WhenFalse: { } otherwise } choice => FollowChoice(choice.Condition, choice.WhenTrue, otherwise, at),
        ISwitchExpressionOperation arms => FollowArms(arms, at),
        ICoalesceOperation coalesce => FollowCoalesce(coalesce, at),
        ICoalesceAssignmentOperation assignment => FollowMadeOnce(assignment),
        IAwaitOperation awaited => Follow(awaited.Operation, at),
        _ => throw Unfollowable.Unknown(plain, "the wiring"),
    };

    private static bool IsLazy(ITypeSymbol type) => Operations.IsOf(type, "System.Lazy`1");

    private static bool IsTask(ITypeSymbol? type) =>
        Operations.IsOf(type, "System.Threading.Tasks.Task`1") || Operations.IsOf(type, "System.Threading.Tasks.ValueTask`1");

    /// <summary>A new wiring or list of registrations, with the additions of its initializer.</summary>
    private IReadOnlyList<WiringEntry> FollowCreation(IObjectCreationOperation creation, Frame frame)
    {
        if (IsTask(creation.Type))
        {
            return Follow(creation.Arguments[0].Value, frame);
        }

        IEnumerable<IReadOnlyList<WiringEntry>> first = creation.Arguments switch
        {
            [] => [],
            [{ Parameter.Type.SpecialType: SpecialType.System_Int32 }] => [],
            [{ Value: { } copied, Parameter.Type: var type }] when Operations.IsRegistrations(type) => [Follow(copied, frame)],
            _ => throw Unfollowable.Unknown(creation, "the wiring"),
        };
        return Together(first.Concat(Added(creation).Select(added => _registrations.Follow(added, frame))), creation);
    }

    private IReadOnlyList<WiringEntry> FollowCoalesce(ICoalesceOperation coalesce, Frame frame)
    {
        (IOperation value, _) = _values.Resolve(coalesce.Value, frame);
        return value is { ConstantValue: { HasValue: true, Value: null } } or IDefaultValueOperation
            ? Follow(coalesce.WhenNull, frame)
            : Follow(coalesce.Value, frame);
    }

    /// <summary>A wiring that a static field keeps, and that is made at the first use.</summary>
    private IReadOnlyList<WiringEntry> FollowMadeOnce(ICoalesceAssignmentOperation assignment)
    {
        if (assignment.Target is not IFieldReferenceOperation { Field: { IsStatic: true, ContainingType.IsGenericType: false } field }
            || !_members.IsHere(field)
            || _members.InitialValueOf(field) is { ConstantValue: not { HasValue: true, Value: null } }
            || _members.Uses.Of(field).Count(use => use.IsAssignment) != 1)
        {
            throw Unfollowable.Unknown(assignment, "the wiring");
        }

        if (!_kept.TryGetValue((field, null), out IReadOnlyList<WiringEntry>? known))
        {
            _lists.RequireUnchanged(field);
            Location from = Operations.LocationOf(assignment);
            _kept.Add((field, null), known = _members.Inside(field, from, () => Follow(assignment.Value, Frame.Empty)));
        }

        return known;
    }

    /// <summary>The value of a <c>Lazy</c>, which is made once.</summary>
    private IReadOnlyList<WiringEntry> FollowLazy(IOperation lazy, IOperation use, Frame frame)
    {
        _hasKept = true;
        (ISymbol keeper, IOperation? value, Frame at) = Operations.WithoutConversions(lazy) switch
        {
            IFieldReferenceOperation { Field: { IsStatic: true, IsReadOnly: true, ContainingType.IsGenericType: false } field } =>
                (field, _members.InitialValueOf(field), Frame.Empty),
            ILocalReferenceOperation { Local: var local } when frame.HomeOf(local) is { } home =>
                ((ISymbol)local, _members.InitialValueOf(local), home),
            _ => throw Unfollowable.Unknown(use, "the wiring"),
        };
        if (value is null || _members.Uses.IsAssigned(keeper)
            || Operations.WithoutConversions(value) is not IObjectCreationOperation { Arguments: [{ Value: var factory }, ..] }
            || Operations.FunctionOf(Operations.WithoutConversions(factory)) is not { } made)
        {
            throw Unfollowable.Unknown(use, "the wiring");
        }

        return _members.Inside(keeper, Operations.LocationOf(use), () => FollowFunction(made, at));
    }

    /// <summary>The arms in the order in which they are tried.</summary>
    private List<WiringEntry> FollowArms(ISwitchExpressionOperation arms, Frame frame)
    {
        List<Condition> before = [];
        List<IReadOnlyList<WiringEntry>> parts = [];
        foreach (ISwitchExpressionArmOperation arm in arms.Arms)
        {
            (bool? Constant, Condition? Condition) fits = arm switch
            {
                { Guard: null, Pattern: IDiscardPatternOperation } => (true, null),
                { Guard: null, Pattern: IConstantPatternOperation { Value: var constant } } =>
                    _conditions.ReadEqual(arms.Value, constant, frame, arm),
                _ => (null, ConditionReader.Unknown(arm, frame)),
            };
            if (fits.Constant == false || IsThrown(arm.Value))
            {
                before.AddRange(fits.Condition is null || !IsThrown(arm.Value) ? [] : [fits.Condition.Negated]);
                continue;
            }

            IReadOnlyList<Condition> path = [.. before, .. fits.Condition is { } holds ? [holds] : (Condition[])[]];
            parts.Add([.. Follow(arm.Value, frame).Select(entry => entry.When(path))]);
            if (fits.Constant == true)
            {
                break;
            }

            before.Add(fits.Condition!.Negated);
        }

        return Together(parts, arms);
    }

    private static bool IsThrown(IOperation value) => Operations.WithoutConversions(value) is IThrowOperation;

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
        _calls.TargetOf(member, instance, use, frame) is var target
        && _frames.OfMember(target, instance, use, frame) is var inside
        && _members.PositionalParameterOf(target) is { } parameter
        && inside.Receiver is { Creation.Initializer: null } created
        && created.ArgumentFor(parameter) is { } given
            ? Follow(given, created.Frame)
            : Follow(_types.MemberIn(target, frame), Operations.LocationOf(use), inside);

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

        if (method.MethodKind == MethodKind.DelegateInvoke)
        {
            return _calls.Read(call, frame) is { } called ? FollowBody(called, call) : throw Unfollowable.Unknown(call, "the wiring");
        }

        if (SequenceReader.IsLinq(call))
        {
            return FollowLinq(call, frame);
        }

        if (Operations.IsOfPlatform(method))
        {
            return method.Name switch
            {
                "FromResult" when IsTask(method.ReturnType) => Follow(call.Arguments[0].Value, frame),
                "GetResult" or "GetAwaiter" or "ConfigureAwait" when call.Instance is { } task => Follow(task, frame),
                "Empty" when method.ContainingType.SpecialType == SpecialType.System_Array => [],
                _ => throw Unfollowable.Unknown(call, "the wiring"),
            };
        }

        if (method.ContainingAssembly?.Name == Library)
        {
            throw Unfollowable.Unknown(call, "the wiring");
        }

        if (AddedByOther(call, frame) is { } added)
        {
            return [.. Follow(_left.AddedTo(method, call), frame), .. added];
        }

        IMethodSymbol target = _calls.TargetOf(call, frame);
        return Follow(target.OriginalDefinition, Operations.LocationOf(call), _frames.OfCall(call, target, call.Instance, frame));
    }

    private IReadOnlyList<WiringEntry> FollowLinq(IInvocationOperation call, Frame frame) => Operations.Shape(call) switch
    {
        ("Select", 2) => Together(
            _sequences.Mapped(call, frame).Select(each => Where(_registrations.Follow(each.Result, each.Frame), each.Element)), call),
        ("SelectMany", 2) =>
            Together(_sequences.Mapped(call, frame).Select(each => Where(Follow(each.Result, each.Frame), each.Element)), call),
        ("Concat", 2) => Together([Follow(call.Arguments[0].Value, frame), Follow(call.Arguments[1].Value, frame)], call),
        ("Append", 2) => Together([Follow(call.Arguments[0].Value, frame), _registrations.Follow(call.Arguments[1].Value, frame)], call),
        ("Prepend", 2) => Together([_registrations.Follow(call.Arguments[1].Value, frame), Follow(call.Arguments[0].Value, frame)], call),
        ("Reverse", 1) => [.. Follow(call.Arguments[0].Value, frame).Reverse()],
        ("ToArray" or "ToList" or "AsEnumerable", 1) => Follow(call.Arguments[0].Value, frame),
        ("Empty", _) => [],
        _ => throw Unfollowable.Unknown(call, "the wiring"),
    };

    private static IReadOnlyList<WiringEntry> Where(IReadOnlyList<WiringEntry> entries, SequenceElement element) =>
        [.. entries.Select(entry => entry.When(element.Conditions))];

    private IReadOnlyList<WiringEntry> FollowBody(CalledBody called, IOperation call) => _members.Inside(
        called.Function,
        Operations.LocationOf(call),
        () => FollowResults(called.Function, called.Statements, called.Frame, Operations.LocationOf(call), Follow));

    /// <summary>The entries that a body returns: of one of several results, or of the elements of a sequence.</summary>
    /// <param name="function">The function.</param>
    /// <param name="statements">Its statements.</param>
    /// <param name="frame">The evaluation.</param>
    /// <param name="from">Where it is used.</param>
    /// <param name="follow">Follows a result.</param>
    public IReadOnlyList<WiringEntry> FollowResults(
        ISymbol function,
        IReadOnlyList<IOperation> statements,
        Frame frame,
        Location from,
        Func<IOperation, Frame, IReadOnlyList<WiringEntry>> follow)
    {
        BodyResults body = new();
        new StatementWalk(_conditions, _sequences, body).Run(statements, frame, []);
        return body switch
        {
            { Results: [] } => throw new UnfollowableException($"{function.Name} does not return one expression", from),
            { AreElements: true } => [.. body.Results.SelectMany(each => Where(_registrations.Follow(each.Value!, each.Frame), each))],
            { Results: [{ Value: { } only } one] } => follow(only, one.Frame),
            _ => [.. body.Results.SelectMany(each => Where(follow(each.Value!, each.Frame), each))],
        };
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
            Follow(method.OriginalDefinition, Operations.LocationOf(function), _frames.OfMember(method, null, function, frame)),
        IAnonymousFunctionOperation { Body.Operations: [IReturnOperation { ReturnedValue: { } returned }] } => Follow(returned, frame),
        IAnonymousFunctionOperation lambda => FollowResults(
            lambda.Symbol, lambda.Body.Operations, _frames.OfBody(lambda, frame), Operations.LocationOf(lambda), Follow),
        _ => throw Unfollowable.Unknown(function, "the function"),
    };

    private IReadOnlyList<WiringEntry> FollowLocal(ILocalReferenceOperation reference, Frame frame)
    {
        ILocalSymbol local = reference.Local;
        if (frame.HomeOf(local) is not { } home)
        {
            throw Unfollowable.Unknown(reference, "the wiring");
        }

        // A variable without a first value gets one before it is used.
        IReadOnlyList<WiringEntry> first =
            _members.InitialValueOf(local) is { } initial
                ? _members.Inside(local, Operations.LocationOf(reference), () => Follow(initial, home))
            : _lists.Additions.AdditionsTo(local).Any(each => each.Kind == ListAdditionKind.Assigned) ? []
            : throw Unfollowable.Unknown(reference, "the wiring");
        return _contents.At(local, home, first, reference);
    }

    /// <summary>The registration that a variable has where it is used, if it gets another one in some cases.</summary>
    /// <param name="variable">The variable or parameter.</param>
    /// <param name="first">Its first value.</param>
    /// <param name="use">Where it is used.</param>
    /// <param name="frame">The evaluation.</param>
    public IReadOnlyList<WiringEntry> FollowAssigned(ISymbol variable, IReadOnlyList<WiringEntry> first, IOperation use, Frame frame) =>
        _contents.AssignedAt(variable, frame.HomeOf(variable) ?? frame, first, use);

    /// <summary>The entries of a member.</summary>
    /// <param name="member">The member; of a closed generic type where it keeps what it gives.</param>
    /// <param name="from">Where it is used.</param>
    /// <param name="frame">The frame in which it is evaluated.</param>
    private IReadOnlyList<WiringEntry> Follow(ISymbol member, Location from, Frame frame)
    {
        bool isKept = _members.IsKept(member);
        if (isKept && _kept.TryGetValue((member, frame.Receiver), out IReadOnlyList<WiringEntry>? known))
        {
            return known;
        }

        if (_shared?.EntriesOf(member, frame, _members, _cancellationToken) is { } shared)
        {
            return shared;
        }

        IReadOnlyList<string>? lines = _members.IsHere(member) ? null : _left.LinesFor(member);
        IMethodSymbol? completing = isKept ? _members.StaticConstructorOf(member) : null;
        if (isKept && !member.IsStatic && frame.Receiver is { } created && _members.IsHere(member)
            && _lists.Additions.AdditionsToField(member) is { Count: > 0 } additions)
        {
            IReadOnlyList<WiringEntry> first = _members.Inside(member, from, () => Follow(_members.ValueOf(member, from), frame));
            return _contents.InObject(member, created, first, additions, from);
        }

        if ((isKept && completing is null) || lines?.Contains(WiringWords.Kept) == true)
        {
            _lists.RequireUnchanged(member);
        }

        if (lines is not null)
        {
            return ReadLeft(member, lines, from, frame);
        }

        IReadOnlyList<WiringEntry> entries = _members.Inside(member, from, () =>
            completing is not null ? FollowCompleted(member, completing, from, frame)
            : !isKept && _members.StatementsOf(member) is { } statements ? FollowResults(member, statements, frame, from, Follow)
            : Follow(_members.ValueOf(member, from), frame));
        if (isKept)
        {
            _kept.Add((member, frame.Receiver), entries);
            Identify(member, entries);
        }

        return entries;
    }

    /// <summary>The registrations that a member of another project gives; null if it left none behind.</summary>
    public IReadOnlyList<WiringEntry>? FollowLeft(ISymbol member, Location from, Frame frame) =>
        !_members.IsHere(member) && _left.LinesFor(member) is { } lines ? ReadLeft(member, lines, from, frame) : null;

    private IReadOnlyList<WiringEntry> ReadLeft(ISymbol member, IReadOnlyList<string> lines, Location from, Frame frame)
    {
        GivenArguments given = new(member, from, frame, _types, _conditions, _values);
        return new WiringTextReader(_compilation, _left, member, from, given).Read(lines);
    }

    /// <summary>Whether an assignment is a statement of the constructor itself, and so runs in any case.</summary>
    private static bool IsCertainAssignment(ListAddition addition) =>
        addition is { Kind: ListAdditionKind.Assigned, Node.Parent.Parent: IBlockOperation { Parent: IMethodBodyBaseOperation } };

    /// <summary>A static field or property, after the static constructor has run.</summary>
    private IReadOnlyList<WiringEntry> FollowCompleted(ISymbol member, IMethodSymbol constructor, Location from, Frame frame)
    {
        IReadOnlyList<WiringEntry> first = _members.InitialValueOf(member) is { } value ? Follow(value, frame)
            : _lists.Additions.AdditionsTo(member).Any(IsCertainAssignment) ? []
            : throw new UnfollowableException($"{member.Name} may have no value", from, cure: "Give it an initial value");
        return _contents.AtEnd(member, _members.StatementsOf(constructor)!, frame, first);
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
        && (Operations.IsOf(call.TargetMethod.ContainingType, WiringType) || Operations.IsOfPlatform(call.TargetMethod))
            ? registration.Value
            : throw Unfollowable.Unknown(added, "the wiring");
}
