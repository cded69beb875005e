using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Following;

/// <summary>Makes the frames in which members are evaluated.</summary>
/// <param name="members">The source.</param>
/// <param name="values">Reads values.</param>
/// <param name="types">Reads types.</param>
internal sealed class Frames(SourceMembers members, ValueReading values, TypeReading types)
{
    /// <summary>The frame of a called method.</summary>
    /// <exception cref="UnfollowableException">It is not known which object it is called on, or which variables it captures.</exception>
    public Frame OfCall(IInvocationOperation call, Frame frame)
    {
        Dictionary<IParameterSymbol, (IOperation, Frame)> arguments = new(SymbolEqualityComparer.Default);
        foreach (IArgumentOperation argument in call.Arguments)
        {
            if (argument.Parameter is { } parameter)
            {
                arguments[parameter.OriginalDefinition] = (argument.Value, frame);
            }
        }

        return Of(call.TargetMethod, call.Instance, call, frame, arguments);
    }

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
        IReadOnlyDictionary<IParameterSymbol, (IOperation Value, Frame Frame)> arguments)
    {
        Location site = Operations.LocationOf(use);
        IReadOnlyDictionary<ITypeSymbol, ITypeSymbol> own = types.ArgumentsOf(member, frame, site);
        Frame? outer = member is IMethodSymbol { MethodKind: MethodKind.LocalFunction }
            ? frame.HomeOf(member) ?? throw Operations.Unknown(use, "the call")
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

        (IOperation plain, Frame at) = values.Resolve(instance, frame);
        Location from = Operations.LocationOf(plain);
        return plain switch
        {
            IInstanceReferenceOperation { ReferenceKind: InstanceReferenceKind.ContainingTypeInstance } => at.Receiver,
            IObjectCreationOperation creation => new CreatedObject(creation, at),
            ILocalReferenceOperation { Local: var local } when at.HomeOf(local) is { } home =>
                ReceiverOf(members.ValueOf(local, from), member, home),
            IFieldReferenceOperation { Field: { IsReadOnly: true, IsStatic: true } field }
                when Operations.WithoutConversions(members.ValueOf(field, from)) is IObjectCreationOperation creation =>
                new CreatedObject(creation, Frame.Empty, types.MemberIn(field, at)),
            _ => throw Operations.Unknown(plain, "the object"),
        };
    }

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
