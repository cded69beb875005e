using Junctivor.Graph;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Following;

/// <summary>Follows an expression that gives a registration.</summary>
/// <param name="wirings">Follows what gives several.</param>
/// <param name="members">The source.</param>
/// <param name="values">Reads values.</param>
/// <param name="types">Reads types.</param>
/// <param name="frames">Makes frames.</param>
/// <param name="conditions">Reads conditions.</param>
/// <param name="levels">Follows scope levels.</param>
/// <param name="calls">Finds the code that calls run.</param>
internal sealed class RegistrationFollower(
    WiringFollower wirings,
    SourceMembers members,
    ValueReading values,
    TypeReading types,
    Frames frames,
    ConditionReader conditions,
    LevelFollower levels,
    CallReader calls)
{
    private readonly OptionReader _options = new(types, values);

    /// <summary>What fields and properties keep, by the member and the object that it belongs to.</summary>
    private readonly Dictionary<(ISymbol Member, CreatedObject? Receiver), IReadOnlyList<WiringEntry>> _kept = [];

    /// <summary>Whether it followed a registration that is kept.</summary>
    public bool HasKept => _kept.Count > 0;

    /// <summary>An expression in one evaluation gives one registration, however often the variable or parameter is used that has
    /// it.</summary>
    private readonly Dictionary<(IOperation Expression, Frame Frame), IReadOnlyList<WiringEntry>> _made = [];

    /// <summary>The registration; several where it depends on a condition which.</summary>
    public IReadOnlyList<WiringEntry> Follow(IOperation registration, Frame frame)
    {
        (IOperation plain, Frame at) = values.Resolve(registration, frame);
        if (!_made.TryGetValue((plain, at), out IReadOnlyList<WiringEntry>? made))
        {
            _made.Add((plain, at), made = Make(plain, at));
        }

        return made;
    }

    private IReadOnlyList<WiringEntry> Make(IOperation plain, Frame at) => plain switch
    {
        IInvocationOperation { TargetMethod.ContainingAssembly.Name: "Junctivor" } call => FollowCall(call, at),
        IInvocationOperation call when call.TargetMethod.MethodKind == MethodKind.DelegateInvoke || members.IsHere(call.TargetMethod) =>
            calls.Read(call, at) is { } called ? FollowBody(called, call) : throw values.Unknown(plain, "the registration"),
        IInvocationOperation => wirings.Follow(plain, at),
        IPropertyReferenceOperation { Property: var property, Arguments.IsEmpty: true } read =>
            FollowMember(calls.TargetOf(property, read.Instance, plain, at), read.Instance, plain, at),
        IFieldReferenceOperation { Field: var field } read => FollowMember(field, read.Instance, plain, at),
        ILocalReferenceOperation { Local: var local } when at.ElementOf(local) is { } element => [element],
        IParameterReferenceOperation { Parameter: var parameter } when at.ElementOf(parameter) is { } element => [element],
        ILocalReferenceOperation { Local: var local } when at.HomeOf(local) is { } home => wirings.FollowAssigned(
            local, members.InitialValueOf(local) is { } initial ? Follow(initial, home) : [], plain, at),
        IParameterReferenceOperation { Parameter: var parameter } when ValueReading.ArgumentOf(parameter, at) is { } given =>
            wirings.FollowAssigned(parameter, Follow(given.Value, given.Frame), plain, at),
        IConditionalOperation => wirings.Follow(plain, at),
        _ => throw values.Unknown(plain, "the registration"),
    };

    /// <summary>The registration that a member gives to other projects.</summary>
    public IReadOnlyList<WiringEntry> FollowTemplate(ISymbol member, Location from)
    {
        IReadOnlyList<WiringEntry> entries = FollowValue(member, from, Frame.TemplateOf(member));
        if (members.IsKept(member))
        {
            WiringFollower.Identify(member, entries);
        }

        return entries;
    }

    private IReadOnlyList<WiringEntry> FollowMember(ISymbol member, IOperation? instance, IOperation use, Frame frame)
    {
        // Each evaluation has a frame of its own, and so makes registrations of its own.
        Frame inside = frames.OfMember(member, instance, use, frame);
        ISymbol closed = types.MemberIn(member, frame);
        bool isKept = members.IsKept(member);
        if (isKept && _kept.TryGetValue((closed, inside.Receiver), out IReadOnlyList<WiringEntry>? known))
        {
            return known;
        }

        IReadOnlyList<WiringEntry> entries = FollowValue(closed, use, inside);
        if (isKept)
        {
            _kept.Add((closed, inside.Receiver), entries);
            WiringFollower.Identify(closed, entries);
        }

        return entries;
    }

    private IReadOnlyList<WiringEntry> FollowValue(ISymbol member, IOperation use, Frame frame)
    {
        return FollowValue(member, Operations.LocationOf(use), frame);
    }

    private IReadOnlyList<WiringEntry> FollowValue(ISymbol member, Location from, Frame frame)
    {
        if (wirings.FollowLeft(member, from, frame) is { } left)
        {
            return left;
        }

        return members.Inside(member, from, () => !members.IsKept(member) && members.StatementsOf(member) is { } statements
            ? wirings.FollowResults(member, statements, frame, from, Follow)
            : Follow(members.ValueOf(member, from), frame));
    }

    private IReadOnlyList<WiringEntry> FollowBody(CalledBody called, IOperation call)
    {
        Location from = Operations.LocationOf(call);
        return members.Inside(
            called.Function, from, () => wirings.FollowResults(called.Function, called.Statements, called.Frame, from, Follow));
    }

    private IReadOnlyList<WiringEntry> FollowCall(IInvocationOperation call, Frame frame)
    {
        string around = call.TargetMethod.ContainingType.Name;
        return around is "Singleton" or "Scoped" or "Transient" or "Decorator" or "Alias" or "ScopeLevel"
            ? [new WiringEntry(Started(call, around, frame), [])]
            : call.Instance is { } instance
                ? [.. Follow(instance, frame).Select(entry => WithOption(entry, call, frame))]
                : throw Unfollowable.Unknown(call, "the registration");
    }

    private WiringEntry WithOption(WiringEntry entry, IInvocationOperation option, Frame frame)
    {
        if (option.TargetMethod.Name != OptionNames.Enabled)
        {
            return entry with { Registration = _options.With(entry.Registration, option, frame) };
        }

        // A later call takes the place of an earlier one; and it is another registration.
        WiringEntry again = entry with
        {
            Registration = entry.Registration.Derive() with { Written = [.. entry.Registration.Written, OptionReader.WrittenBy(option)] },
            EnabledWhen = null,
            IsDisabled = false,
        };
        return conditions.Read(option.Arguments[0].Value, frame) switch
        {
            { Constant: { } constant } => again with { IsDisabled = !constant },
            { Condition: var condition } => again with { EnabledWhen = condition },
        };
    }

    private WrittenRegistration Started(IInvocationOperation call, string around, Frame frame)
    {
        Level level = around switch
        {
            "Singleton" => Level.Singleton,
            "Scoped" => Level.Scoped,
            "ScopeLevel" => levels.Follow(call.Instance!, frame),
            _ => Level.Transient,
        };
        IReadOnlyList<ITypeSymbol> arguments = [.. call.TargetMethod.TypeArguments.Select(type => types.In(type, frame, call))];
        bool isDecorator = around == "Decorator";
        return (around, call.TargetMethod.Name) switch
        {
            ("Alias", _) => OfTypes(NodeKind.Alias, call, level, Named(call, arguments, frame), frame),
            (_, "Of") => OfTypes(NodeKind.Class, call, level, Named(call, arguments, frame), frame, isDecorator),
            (_, "Incoming") => OfTypes(NodeKind.Incoming, call, level, Named(call, arguments, frame), frame),
            (_, "Value") => OfTypes(NodeKind.Value, call, level, [arguments[0], ActualOf(call, frame)], frame),
            (_, "ValueAs") => OfTypes(
                NodeKind.Value,
                call,
                level,
                [types.OfValue(Operations.Argument(call, "service"), frame), ActualOf(call, frame)],
                frame),
            (_, "From") => OfFactory(
                call, level, isDecorator ? arguments[0] : arguments[arguments.Count - 1], frame, isDecorator, isAsync: false),
            (_, "FromAsync") => OfFactory(call, level, arguments[arguments.Count - 1], frame, isDecorator: false, isAsync: true),
            _ => throw Unfollowable.Unknown(call, "the registration"),
        };
    }

    /// <summary>The types that a call names: as type arguments, or as arguments.</summary>
    private IReadOnlyList<ITypeSymbol> Named(IInvocationOperation call, IReadOnlyList<ITypeSymbol> arguments, Frame frame) =>
        arguments.Count > 0
            ? arguments
            :
            [
                .. call.Arguments.Where(argument => Operations.IsOf(argument.Parameter?.Type, WellKnownTypes.TypeOfTypes))
                    .Select(argument => types.OfValue(argument.Value, frame)),
            ];

    /// <summary>The type of a value, as far as the source tells.</summary>
    private ITypeSymbol ActualOf(IInvocationOperation call, Frame frame) => types.In(
        Operations.WithoutConversions(Operations.Argument(call, "value")).Type ?? Operations.Argument(call, "value").Type!, frame, call);

    private WrittenRegistration OfTypes(
        NodeKind kind, IInvocationOperation call, Level level, IReadOnlyList<ITypeSymbol> named, Frame frame, bool isDecorator = false) =>
        new()
        {
            Service = named[0],
            Kind = kind,
            Implementation = named[named.Count - 1],
            Level = level,
            Place = PlaceOf(call, frame),
            GivenPlace = GivenPlaceOf(call, frame),
            Location = Operations.LocationOf(call),
            Calls = [.. frame.Calls()],
            IsDecorator = isDecorator,
            IsDerived = kind == NodeKind.Value && !IsExact(Operations.WithoutConversions(Operations.Argument(call, "value"))),
        };

    private static bool IsExact(IOperation value) =>
        value is IObjectCreationOperation or IArrayCreationOperation || value.Type is { IsValueType: true } or { IsSealed: true };

    private WrittenRegistration OfFactory(
        IInvocationOperation call, Level level, ITypeSymbol service, Frame frame, bool isDecorator, bool isAsync) =>
        new()
        {
            Service = service,
            Kind = NodeKind.Factory,
            Implementation = service,
            Level = level,
            Place = PlaceOf(call, frame),
            GivenPlace = GivenPlaceOf(call, frame),
            Location = Operations.LocationOf(call),
            Calls = [.. frame.Calls()],
            IsDecorator = isDecorator,
            Factory = FactoryReader.Read(Operations.Argument(call, "factory"), isAsync, types, values, frame),
        };

    /// <summary>What the compiler passes for the place, also to a method that passes it on.</summary>
    private SourcePlace PlaceOf(IInvocationOperation call, Frame frame) =>
        ConstantOf(call, "file", frame) is string file && ConstantOf(call, "line", frame) is int line
            ? new SourcePlace(file, line)
            : default;

    private (IParameterSymbol File, IParameterSymbol Line)? GivenPlaceOf(IInvocationOperation call, Frame frame) =>
        values.OpenParameter(Operations.Argument(call, "file"), frame) is { } file
        && values.OpenParameter(Operations.Argument(call, "line"), frame) is { } line
            ? (file, line)
            : null;

    private object? ConstantOf(IInvocationOperation call, string parameter, Frame frame) =>
        values.Resolve(Operations.Argument(call, parameter), frame).Value.ConstantValue is { HasValue: true, Value: var constant }
            ? constant
            : null;
}
