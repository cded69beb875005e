using Junctivor.Graph;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Following;

/// <summary>Follows an expression that gives a registration.</summary>
/// <param name="wirings">Follows what gives several.</param>
/// <param name="members">The source.</param>
/// <param name="types">Reads types.</param>
/// <param name="conditions">Reads conditions.</param>
/// <param name="levels">Follows scope levels.</param>
internal sealed class RegistrationFollower(
    WiringFollower wirings, SourceMembers members, TypeReading types, ConditionReader conditions, LevelFollower levels)
{
    private readonly OptionReader _options = new(types);
    private readonly Dictionary<ISymbol, IReadOnlyList<WiringEntry>> _kept = new(SymbolEqualityComparer.Default);

    /// <summary>An expression in one evaluation gives one registration, however often the variable or parameter is used that has
    /// it.</summary>
    private readonly Dictionary<(SyntaxNode Expression, Frame Frame), IReadOnlyList<WiringEntry>> _made = [];

    /// <summary>The registration; several where it depends on a condition which.</summary>
    public IReadOnlyList<WiringEntry> Follow(IOperation registration, Frame frame)
    {
        (IOperation plain, Frame at) = frame.Resolve(registration);
        if (!_made.TryGetValue((plain.Syntax, at), out IReadOnlyList<WiringEntry>? made))
        {
            _made.Add((plain.Syntax, at), made = Make(plain, at));
        }

        return made;
    }

    private IReadOnlyList<WiringEntry> Make(IOperation plain, Frame at) => plain switch
    {
        IInvocationOperation { TargetMethod.ContainingAssembly.Name: "Junctivor" } call => FollowCall(call, at),
        IInvocationOperation => wirings.Follow(plain, at),
        IPropertyReferenceOperation property when !SourceMembers.IsOverridable(property.Property) =>
            FollowMember(property.Property, plain, at),
        IFieldReferenceOperation { Field.IsReadOnly: true } field => FollowMember(field.Field, plain, at),
        ILocalReferenceOperation local when !members.IsReassigned(local.Local) => FollowValue(local.Local, plain, at),
        IConditionalOperation => wirings.Follow(plain, at),
        _ => throw Operations.Unknown(plain, "the registration"),
    };

    private IReadOnlyList<WiringEntry> FollowMember(ISymbol member, IOperation use, Frame frame)
    {
        if (_kept.TryGetValue(member, out IReadOnlyList<WiringEntry>? known))
        {
            return known;
        }

        // Each evaluation has a frame of its own, and so makes registrations of its own.
        Frame inside = frame with { Types = types.ArgumentsOf(member.ContainingType, frame) };
        IReadOnlyList<WiringEntry> entries = FollowValue(member, use, inside);
        if (members.IsKept(member))
        {
            _kept.Add(member, entries);
        }

        return entries;
    }

    private IReadOnlyList<WiringEntry> FollowValue(ISymbol member, IOperation use, Frame frame)
    {
        Location from = Operations.LocationOf(use);
        return members.Inside(member, from, () => Follow(members.ValueOf(member, from), frame));
    }

    private IReadOnlyList<WiringEntry> FollowCall(IInvocationOperation call, Frame frame)
    {
        string around = call.TargetMethod.ContainingType.Name;
        return around is "Singleton" or "Scoped" or "Transient" or "Decorator" or "Alias" or "ScopeLevel"
            ? [new WiringEntry(Started(call, around, frame), [])]
            : call.Instance is { } instance
                ? [.. Follow(instance, frame).Select(entry => WithOption(entry, call, frame))]
                : throw Operations.Unknown(call, "the registration");
    }

    private WiringEntry WithOption(WiringEntry entry, IInvocationOperation option, Frame frame)
    {
        if (option.TargetMethod.Name != "Enabled")
        {
            return entry with { Registration = _options.With(entry.Registration, option, frame) };
        }

        // A later call takes the place of an earlier one; and it is another registration.
        WiringEntry again = entry with { Registration = entry.Registration.With(), EnabledWhen = null, IsDisabled = false };
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
            ("Alias", _) => OfTypes(NodeKind.Alias, call, level, Named(call, arguments, frame)),
            (_, "Of") => OfTypes(NodeKind.Class, call, level, Named(call, arguments, frame), isDecorator),
            (_, "Incoming") => OfTypes(NodeKind.Incoming, call, level, Named(call, arguments, frame)),
            (_, "Value") => OfTypes(NodeKind.Value, call, level, [arguments[0], ActualOf(call)]),
            (_, "ValueAs") => OfTypes(
                NodeKind.Value, call, level, [types.OfValue(Operations.Argument(call, "service"), frame), ActualOf(call)]),
            (_, "From") => OfFactory(call, level, isDecorator ? arguments[0] : arguments[arguments.Count - 1], isDecorator, isAsync: false),
            (_, "FromAsync") => OfFactory(call, level, arguments[arguments.Count - 1], isDecorator: false, isAsync: true),
            _ => throw Operations.Unknown(call, "the registration"),
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
    private static ITypeSymbol ActualOf(IInvocationOperation call) =>
        Operations.WithoutConversions(Operations.Argument(call, "value")).Type ?? Operations.Argument(call, "value").Type!;

    private static WrittenRegistration OfTypes(
        NodeKind kind, IInvocationOperation call, Level level, IReadOnlyList<ITypeSymbol> named, bool isDecorator = false) =>
        new()
        {
            Service = named[0],
            Kind = kind,
            Implementation = named[named.Count - 1],
            Level = level,
            Place = PlaceOf(call),
            Location = LocationOf(call),
            IsDecorator = isDecorator,
            IsDerived = kind == NodeKind.Value && !IsExact(Operations.WithoutConversions(Operations.Argument(call, "value"))),
        };

    private static bool IsExact(IOperation value) =>
        value is IObjectCreationOperation or IArrayCreationOperation || value.Type is { IsValueType: true } or { IsSealed: true };

    private WrittenRegistration OfFactory(IInvocationOperation call, Level level, ITypeSymbol service, bool isDecorator, bool isAsync) =>
        new()
        {
            Service = service,
            Kind = NodeKind.Factory,
            Implementation = service,
            Level = level,
            Place = PlaceOf(call),
            Location = LocationOf(call),
            IsDecorator = isDecorator,
            Factory = FactoryReader.Read(Operations.Argument(call, "factory"), isAsync, types.Compilation),
        };

    /// <summary>What the compiler passes for the place.</summary>
    private static SourcePlace PlaceOf(IInvocationOperation call) =>
        Operations.Argument(call, "file").ConstantValue is { HasValue: true, Value: string file }
        && Operations.Argument(call, "line").ConstantValue is { HasValue: true, Value: int line }
            ? new SourcePlace(file, line)
            : default;

    /// <summary>The call without what stands before it in a chain.</summary>
    private static Location LocationOf(IInvocationOperation call) => call.Syntax.GetLocation();
}
