using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Following;

/// <summary>Makes the frames in which members are evaluated.</summary>
/// <param name="members">The source.</param>
/// <param name="values">Reads values.</param>
/// <param name="types">Reads types.</param>
/// <param name="objects">Finds the calls on objects.</param>
internal sealed class Frames(SourceMembers members, ValueReading values, TypeReading types, ObjectUses objects)
{
    /// <summary>A call in one evaluation has one frame, even if it is read several times.</summary>
    private readonly Dictionary<(IOperation Site, Frame Frame), Frame> _ofCalls = [];

    private readonly Dictionary<(IOperation Site, SequenceElement Element, Frame Frame), Frame> _ofElements = [];

    /// <summary>The frame of a called method.</summary>
    /// <exception cref="UnfollowableException">It is not known which object it is called on, or which variables it captures.</exception>
    public Frame OfCall(IInvocationOperation call, Frame frame) => OfCall(call, call.TargetMethod, call.Instance, frame);

    /// <summary>The frame of a method that a call reaches.</summary>
    /// <param name="call">The call.</param>
    /// <param name="method">The method: another one than the call names, if that can be overridden.</param>
    /// <param name="instance">The object; null for a static method.</param>
    /// <param name="frame">The frame of the call.</param>
    /// <exception cref="UnfollowableException">It is not known which object it is called on, or which variables it captures.</exception>
    public Frame OfCall(IInvocationOperation call, IMethodSymbol method, IOperation? instance, Frame frame)
    {
        if (!_ofCalls.TryGetValue((call, frame), out Frame? known))
        {
            Dictionary<ISymbol, (IOperation, Frame)> arguments = new(SymbolEqualityComparer.Default);
            foreach (IArgumentOperation argument in call.Arguments)
            {
                if (argument.Parameter is { } parameter)
                {
                    arguments[Functions.InBody(method.OriginalDefinition.Parameters[parameter.Ordinal])] = (argument.Value, frame);
                }
            }

            if (Functions.ExtensionParameterOf(method) is { } extended && call.Instance is { } receiver)
            {
                arguments[extended.OriginalDefinition] = (receiver, frame);
            }

            _ofCalls.Add((call, frame), known = Of(method, instance, call, frame, arguments));
        }

        return known;
    }

    /// <summary>The frame of a lambda that is called.</summary>
    /// <param name="function">The lambda.</param>
    /// <param name="created">The evaluation that creates it.</param>
    /// <param name="call">The call.</param>
    /// <param name="frame">The frame of the call.</param>
    public Frame OfLambda(IAnonymousFunctionOperation function, Frame created, IInvocationOperation call, Frame frame)
    {
        if (!_ofCalls.TryGetValue((call, frame), out Frame? known))
        {
            Dictionary<ISymbol, (IOperation, Frame)> arguments = new(SymbolEqualityComparer.Default);
            foreach ((IArgumentOperation argument, IParameterSymbol parameter) in call.Arguments
                .Zip(function.Symbol.Parameters, (argument, parameter) => (argument, parameter)))
            {
                arguments[parameter] = (argument.Value, frame);
            }

            _ofCalls.Add((call, frame), known = Inside(function, created, call, frame, arguments, element: null));
        }

        return known;
    }

    /// <summary>The frame of a lambda whose caller is not in the source.</summary>
    public Frame OfBody(IAnonymousFunctionOperation function, Frame created)
    {
        if (!_ofCalls.TryGetValue((function, created), out Frame? known))
        {
            _ofCalls.Add((function, created), known = Inside(function, created, function, created, Frame.Empty.Arguments, element: null));
        }

        return known;
    }

    /// <summary>The frame of a lambda that is called for an element.</summary>
    public Frame OfElement(IAnonymousFunctionOperation function, Frame created, IInvocationOperation call, SequenceElement element) =>
        OfElement(function, created, call, function.Symbol.Parameters[0], element);

    /// <summary>The frame of a round of a loop.</summary>
    public Frame OfElement(IForEachLoopOperation loop, ISymbol variable, SequenceElement element, Frame frame) =>
        OfElement(loop, frame, loop, variable, element);

    private Frame OfElement(IOperation body, Frame created, IOperation site, ISymbol variable, SequenceElement element)
    {
        if (!_ofElements.TryGetValue((site, element, created), out Frame? known))
        {
            Dictionary<ISymbol, (IOperation, Frame)> arguments = new(SymbolEqualityComparer.Default);
            if (element.Value is { } value)
            {
                arguments.Add(variable, (value, element.Frame));
            }

            known = Inside(body, created, element.Value ?? site, created, arguments, element.Entry is { } entry ? (variable, entry) : null);
            _ofElements.Add((site, element, created), known);
        }

        return known;
    }

    /// <summary>An evaluation that has the variables around it.</summary>
    private static Frame Inside(
        IOperation body,
        Frame outer,
        IOperation site,
        Frame caller,
        IReadOnlyDictionary<ISymbol, (IOperation Value, Frame Frame)> arguments,
        (ISymbol Variable, WiringEntry Entry)? element) => new()
        {
            Arguments = arguments,
            Element = element,
            Types = outer.Types,
            Body = body.Syntax,
            Outer = outer,
            Receiver = outer.Receiver,
            CallSite = Operations.LocationOf(site),
            Caller = caller,
            Template = outer.Template,
            Initialized = outer.Initialized,
        };

    /// <summary>The frame of a property or method that is used without arguments, or of the initializer of a field.</summary>
    /// <param name="member">The property, method or field.</param>
    /// <param name="instance">The object; null for a static member.</param>
    /// <param name="use">Where it is used.</param>
    /// <param name="frame">The frame of the use.</param>
    /// <exception cref="UnfollowableException">It is not known which object it is of, or which variables it captures.</exception>
    public Frame OfMember(ISymbol member, IOperation? instance, IOperation use, Frame frame) =>
        Of(member, instance, use, frame, Frame.Empty.Arguments);

    private Frame Of(
        ISymbol member,
        IOperation? instance,
        IOperation use,
        Frame frame,
        IReadOnlyDictionary<ISymbol, (IOperation Value, Frame Frame)> arguments)
    {
        Location site = Operations.LocationOf(use);
        IReadOnlyDictionary<ITypeSymbol, ITypeSymbol> own = types.ArgumentsOf(member, frame, site);
        Frame? outer = member is IMethodSymbol { MethodKind: MethodKind.LocalFunction }
            ? frame.HomeOf(member) ?? throw Unfollowable.Unknown(use, "the call")
            : null;
        return new Frame
        {
            Arguments = arguments,
            Types = outer is null ? own : Merged(outer.Types, own),
            Body = members.DeclarationOf(member),
            Outer = outer,
            Receiver = outer is null ? ReceiverOf(instance, member, frame) : outer.Receiver,
            CallSite = site,
            Caller = frame,
            Template = frame.Template,
            Initialized = members.IsKept(member) ? member : frame.Initialized,
        };
    }

    /// <summary>The object that a member belongs to; null for none, and for the one whose member the wiring begins with. It is known only
    /// of objects that are created in sight.</summary>
    private CreatedObject? ReceiverOf(IOperation? instance, ISymbol member, Frame frame)
    {
        if (instance is null || member.ContainingType is { TypeKind: TypeKind.Extension })
        {
            return null;
        }

        (IOperation plain, Frame at) = values.ResolveArguments(instance, frame);
        Location from = Operations.LocationOf(plain);
        return plain switch
        {
            IInvocationOperation { Instance: { } called } call when objects.ReturnsThis(call.TargetMethod) =>
                ReceiverOf(called, member, at) is { } before
                    ? before with { Calls = before.Calls is { } calls ? [.. calls, new ObjectCall(call, at, [])] : null }
                    : null,
            IInstanceReferenceOperation { ReferenceKind: InstanceReferenceKind.ContainingTypeInstance } => at.Receiver,
            IObjectCreationOperation creation => new CreatedObject(creation, at),
            ILocalReferenceOperation { Local: var element } when ValueReading.ArgumentOf(element, at) is { } given =>
                ReceiverOf(given.Value, member, given.Frame),
            ILocalReferenceOperation { Local: var local } when at.HomeOf(local) is { } home =>
                ReceiverOf(members.ValueOf(local, from), member, home) is { } first
                    ? first with { Calls = CallsBefore(first, local, plain, home) }
                    : null,
            _ when values.Resolve(instance, frame) is (IObjectCreationOperation creation, Frame created) =>
                new CreatedObject(creation, created),
            IFieldReferenceOperation { Field: { IsReadOnly: true, IsStatic: true } field }
                when Operations.WithoutConversions(members.ValueOf(field, from)) is IObjectCreationOperation creation =>
                new CreatedObject(creation, Frame.Empty, types.MemberIn(field, at)),
            _ => throw Unfollowable.Unknown(plain, "the object"),
        };
    }

    /// <summary>The calls on an object before a variable that has it is used; null if not all are known.</summary>
    private IReadOnlyList<ObjectCall>? CallsBefore(CreatedObject first, ILocalSymbol local, IOperation use, Frame home) =>
        first.Calls is null || objects.CallsOn(local) is not { } calls ? null
            : calls.Count == 0 ? first.Calls
            : CallsRun is { } run ? [.. first.Calls, .. run(local, calls, use, home)]
            : null;

    /// <summary>Tells which of some calls run before a variable is used, and when.</summary>
    public Func<ILocalSymbol, IReadOnlyList<IInvocationOperation>, IOperation, Frame, IReadOnlyList<ObjectCall>>? CallsRun { get; set; }

    private static Dictionary<ITypeSymbol, ITypeSymbol> Merged(
        IReadOnlyDictionary<ITypeSymbol, ITypeSymbol> outer, IReadOnlyDictionary<ITypeSymbol, ITypeSymbol> own)
    {
        Dictionary<ITypeSymbol, ITypeSymbol> merged = new(SymbolEqualityComparer.Default);
        foreach (KeyValuePair<ITypeSymbol, ITypeSymbol> each in outer.Concat(own))
        {
            merged[each.Key] = each.Value;
        }

        return merged;
    }
}
