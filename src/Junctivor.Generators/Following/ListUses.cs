using Junctivor.Generators.Leaving;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp.Syntax;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Following;

/// <summary>
/// Finds what the source does with a list of registrations that a variable, parameter, field or property holds. Only uses that are known
/// leave it as it is; any other one may change it.
/// </summary>
/// <param name="members">The source.</param>
/// <param name="left">What other assemblies left behind.</param>
/// <param name="objects">Finds the calls on objects.</param>
internal sealed class ListUses(SourceMembers members, LeftBehind left, ObjectUses objects)
{
    private const string WiringType = "Junctivor.Wiring";

    /// <summary>Methods of collections that only read them.</summary>
    private static readonly string[] Reading =
    [
        "GetEnumerator", "Contains", "IndexOf", "LastIndexOf", "ToArray", "ToList", "ToString", "Equals", "GetHashCode", "GetType",
        "Exists", "Find", "FindAll", "FindIndex", "FindLast", "TrueForAll", "CopyTo", "GetLength", "Clone",
    ];

    /// <summary>Methods of collections that add to them.</summary>
    private static readonly string[] Adding = ["Add", "AddRange", "Insert", "InsertRange"];

    private static readonly string[] OwnAssemblies =
        ["Junctivor", "Junctivor.AspNetCore", "Junctivor.Hosting", "Junctivor.Reports", "Junctivor.Testing"];

    private readonly Dictionary<ISymbol, (ListEffect Effect, Location? Place)> _known = new(SymbolEqualityComparer.Default);
    /// <summary>The holders whose uses are being read, the outermost first.</summary>
    private readonly List<ISymbol> _open = [];

    private readonly HashSet<ISymbol> _held = new(SymbolEqualityComparer.Default);
    private readonly HashSet<(IMethodSymbol, IParameterSymbol)> _returning = [];
    private ListAdditions? _additions;

    /// <summary>The outermost of the open holders that a use leads back to; the greatest number if none does.</summary>
    private int _leadsBackTo = int.MaxValue;

    /// <summary>Finds where something is added.</summary>
    public ListAdditions Additions => _additions ??= new ListAdditions(this, members, objects);

    /// <exception cref="UnfollowableException">A use may change what a field or property keeps.</exception>
    public void RequireUnchanged(ISymbol member)
    {
        if (EffectOf(member) is { Effect: not ListEffect.None } changed)
        {
            throw Unfollowable.MayChange(member, changed.Place!);
        }
    }

    /// <summary>What all uses of a holder together can do.</summary>
    private (ListEffect Effect, Location? Place) EffectOf(ISymbol holder)
    {
        ISymbol definition = holder.OriginalDefinition;
        if (_known.TryGetValue(definition, out (ListEffect Effect, Location? Place) known))
        {
            return known;
        }

        // A use that leads back to the holder adds nothing to its other uses.
        int number = _open.FindIndex(each => SymbolEqualityComparer.Default.Equals(each, definition));
        if (number >= 0)
        {
            _leadsBackTo = Math.Min(_leadsBackTo, number);
            return (ListEffect.None, null);
        }

        number = _open.Count;
        _open.Add(definition);
        foreach (SymbolUse use in members.Uses.Of(definition))
        {
            (ListEffect effect, Location place) = EffectOf(use, definition);
            known = (known.Effect | effect, effect == ListEffect.None ? known.Place : known.Place ?? place);
        }

        _open.RemoveAt(number);
        if (_leadsBackTo >= number)
        {
            // What leads back to an outer holder is known only together with that.
            _known[definition] = known;
            _leadsBackTo = int.MaxValue;
        }

        return known;
    }

    public (ListEffect Effect, Location Place) EffectOf(SymbolUse use, ISymbol holder)
    {
        Location place = use.Syntax.GetLocation();
        return use.IsNameOnly ? (ListEffect.None, place)
            : use.Operation is null ? (ListEffect.MayChange, place)
            : use.Operation.Parent is ICoalesceAssignmentOperation once
                && once.Target == use.Operation
                && holder is IFieldSymbol { IsStatic: true }
                ? (EffectOf(once, holder), place)
            : use.IsAssignment ? (IsPlainAssignment(use.Operation, holder) ? ListEffect.Sets : ListEffect.MayChange, place)
            : (EffectOf(use.Operation, holder), place);
    }

    /// <summary>Whether a variable gets another list by a statement of its own.</summary>
    public static bool IsPlainAssignment(IOperation variable, ISymbol holder) =>
        holder is ILocalSymbol { RefKind: RefKind.None }
            or IParameterSymbol { RefKind: RefKind.None, ContainingSymbol: IMethodSymbol { MethodKind: not MethodKind.Constructor } }
            or IFieldSymbol { IsStatic: true, IsReadOnly: true } or IPropertySymbol { IsStatic: true, SetMethod: null }
        && variable.Parent is (ISimpleAssignmentOperation { IsRef: false } or ICoalesceAssignmentOperation) and IAssignmentOperation
        {
            Parent: IExpressionStatementOperation,
        } assignment
        && assignment.Target == variable;

    /// <summary>What happens to the list that an operation gives.</summary>
    private ListEffect EffectOf(IOperation list, ISymbol holder) => list.Parent switch
    {
        IConversionOperation { OperatorMethod: null } or IParenthesizedOperation => EffectOf(list.Parent, holder),
        IConditionalOperation choice => choice.Condition == list ? ListEffect.None : EffectOf(choice, holder),
        ICoalesceOperation choice => EffectOf(choice, holder),
        ISwitchExpressionArmOperation { Parent: { } choice } => EffectOf(choice, holder),
        ISwitchExpressionOperation or ISpreadOperation or INameOfOperation or IForEachLoopOperation or IBinaryOperation
            or IIsTypeOperation or IInterpolationOperation or ILockOperation or IExpressionStatementOperation => ListEffect.None,
        IIsPatternOperation { Pattern: IConstantPatternOperation or INegatedPatternOperation { Pattern: IConstantPatternOperation } } =>
            ListEffect.None,
        IInvocationOperation call when call.Instance == list => Functions.ExtensionParameterOf(call.TargetMethod) is { } extended
            ? OfPassed(call, extended, holder)
            : EffectOf(call.TargetMethod),
        IAwaitOperation awaited => EffectOf(awaited, holder),
        IMethodReferenceOperation method when method.Instance == list => EffectOf(method.Method) & ~ListEffect.Adds
            | (EffectOf(method.Method) == ListEffect.Adds ? ListEffect.MayChange : ListEffect.None),
        IPropertyReferenceOperation property when property.Instance == list => OfElement(property, property.Property),
        IImplicitIndexerReferenceOperation element when element.Instance == list =>
            OfElement(element, element.IndexerSymbol),
        IArrayElementReferenceOperation element when element.ArrayReference == list => OfElement(element, element.Type),
        IConditionalAccessOperation access when access.Operation == list => OfPlaceholders(access, holder),
        IConditionalAccessOperation access => EffectOf(access, holder),
        IVariableInitializerOperation { Parent: IVariableDeclaratorOperation { Symbol: var alias } } => OfAlias(alias, list, holder),
        IFieldInitializerOperation { InitializedFields: [var alias] } => OfAlias(alias, list, holder),
        IPropertyInitializerOperation { InitializedProperties: [var alias] } => OfAlias(alias, list, holder),
        ISimpleAssignmentOperation { IsRef: false } assignment when assignment.Value == list => OfAssigned(assignment, holder),
        IReturnOperation => OfReturned(list, holder),
        IArgumentOperation argument => OfArgument(argument, holder),
        _ => ListEffect.MayChange,
    };

    /// <summary>Another variable with the same list. Additions to it are additions here, at a time that is not determined.</summary>
    private ListEffect OfAlias(ISymbol alias, IOperation list, ISymbol holder)
    {
        ListEffect effect = EffectOf(alias).Effect;
        return (effect & (ListEffect.Adds | ListEffect.AddsLater)) == 0 ? (effect & ListEffect.MayChange) | ListEffect.Shares
            : IsLastUse(list, holder) ? (effect & ListEffect.MayChange) | ListEffect.Shares | ListEffect.AddsLater
            : ListEffect.MayChange;
    }

    /// <summary>Whether a variable is not used behind a place, so that only another one still has its list.</summary>
    private bool IsLastUse(IOperation list, ISymbol holder)
    {
        SyntaxNode? function = Functions.FunctionAround(list.Syntax);
        return holder is ILocalSymbol
            && Functions.IsSame(function, Functions.FunctionOf(holder))
            && !list.Syntax.Ancestors().TakeWhile(node => node != function)
                .Any(node => node is WhileStatementSyntax or ForStatementSyntax or DoStatementSyntax or CommonForEachStatementSyntax)
            && members.Uses.Of(holder).All(use =>
                use.Syntax.Span.End <= list.Syntax.Span.End && Functions.IsSame(function, Functions.FunctionAround(use.Syntax)));
    }

    /// <summary>A variable that gets its own list again is unchanged. Another variable shares the list.</summary>
    private ListEffect OfAssigned(ISimpleAssignmentOperation assignment, ISymbol holder)
    {
        ISymbol? target = assignment.Target switch
        {
            ILocalReferenceOperation { Local: var local } => local,
            IParameterReferenceOperation { Parameter: var parameter } => parameter,
            _ => null,
        };
        return target is null || !IsPlainAssignment(assignment.Target, target) ? ListEffect.MayChange
            : SymbolEqualityComparer.Default.Equals(target.OriginalDefinition, holder) ? ListEffect.None
            : OfAlias(target, assignment, holder);
    }

    private ListEffect OfPlaceholders(IConditionalAccessOperation access, ISymbol holder) => access.WhenNotNull.DescendantsAndSelf()
        .OfType<IConditionalAccessInstanceOperation>()
        .Where(placeholder => Operations.ReceiverOf(placeholder) == access.Operation)
        .Aggregate(ListEffect.None, (effect, placeholder) => effect | EffectOf(placeholder, holder));

    /// <summary>What a method that is called on the list does to it.</summary>
    public static ListEffect EffectOf(IMethodSymbol method) =>
        Operations.IsOf(method.ContainingType, WiringType)
            ? method.Name == "Add" ? ListEffect.Adds : ListEffect.None
            : Operations.IsOfPlatform(method) && Reading.Contains(method.Name) ? ListEffect.None
            : Operations.IsOfPlatform(method) && method.ReturnsVoid && Adding.Contains(method.Name) ? ListEffect.Adds
            : ListEffect.MayChange;

    /// <summary>An element, or the number of them, that is read.</summary>
    private static ListEffect OfElement(IOperation element, ISymbol? of) =>
        new SymbolUse(element.Syntax, element).IsAssignment
        || of is null || !(Operations.IsOfPlatform(of) || OwnAssemblies.Contains(of.ContainingAssembly?.Name))
        || !(Operations.IsRegistration(element.Type) || element.Type?.SpecialType is SpecialType.System_Int32 or SpecialType.System_Boolean)
            ? ListEffect.MayChange
            : ListEffect.None;

    private ListEffect OfReturned(IOperation list, ISymbol holder)
    {
        SyntaxNode? function = list.Syntax.Ancestors()
            .FirstOrDefault(Functions.IsFunction);
        if (holder is IParameterSymbol && Functions.IsSame(function, Functions.FunctionOf(holder)))
        {
            return ListEffect.Returns;
        }

        if (function is AnonymousFunctionExpressionSyntax)
        {
            return members.OperationOf(function) is { } lambda && ConditionalWiringOf(lambda) is { } call
                ? EffectOf(call, holder)
                : ListEffect.MayChange;
        }

        if (holder is ILocalSymbol or IParameterSymbol)
        {
            return Functions.IsSame(function, Functions.FunctionOf(holder)) ? ListEffect.Returns : ListEffect.MayChange;
        }

        return function is MemberDeclarationSyntax or LocalFunctionStatementSyntax
            && members.DeclaredBy(function) is { } member
            && !CanBeCalledAsAnother(member)
                ? EffectOf(member).Effect
                : ListEffect.MayChange;
    }

    /// <summary>The call of <c>Wiring.If</c> that a function is passed to; null for other functions.</summary>
    private static IInvocationOperation? ConditionalWiringOf(IOperation function)
    {
        IOperation around = function;
        while (around.Parent is IDelegateCreationOperation or IConversionOperation)
        {
            around = around.Parent;
        }

        return around.Parent is IArgumentOperation { Parent: IInvocationOperation call } && IsConditionalWiring(call.TargetMethod)
            ? call
            : null;
    }

    private static bool IsConditionalWiring(IMethodSymbol method) =>
        method.Name == "If" && Operations.IsOf(method.ContainingType, WiringType);

    /// <summary>Whether code may call it by the name of another member: of an interface or a base class.</summary>
    private static bool CanBeCalledAsAnother(ISymbol member) =>
        member.IsOverride || member.IsVirtual || member.IsAbstract
        || member.ContainingType.AllInterfaces.SelectMany(each => each.GetMembers())
            .Any(each => SymbolEqualityComparer.Default.Equals(member.ContainingType.FindImplementationForInterfaceMember(each), member));

    private ListEffect OfArgument(IArgumentOperation argument, ISymbol holder)
    {
        if (argument.Parameter is not { RefKind: not (RefKind.Ref or RefKind.Out) } parameter
            || parameter.ContainingSymbol is not IMethodSymbol method)
        {
            return ListEffect.MayChange;
        }

        if (OwnAssemblies.Contains(method.ContainingAssembly?.Name))
        {
            return IsConditionalWiring(method) && argument.Parent is { } call ? WithoutAdding(EffectOf(call, holder)) : ListEffect.None;
        }

        return argument.Parent is IInvocationOperation invocation
            ? OfPassed(invocation, parameter, holder)
            : argument.Parent is IObjectCreationOperation creation && members.IsHere(method) ? OfHeld(creation, parameter)
            : members.IsHere(method) || !IsReadOnly(parameter) ? ListEffect.MayChange
            : ListEffect.None;
    }

    /// <summary>A list that an object keeps. Its methods add to it where they are called.</summary>
    private ListEffect OfHeld(IObjectCreationOperation creation, IParameterSymbol parameter)
    {
        // A record gives it to others by its property, by deconstruction and by copies.
        if (creation.Type is { IsRecord: true }
            || (members.StatementsOf(creation.Constructor!) is { } statements && statements.Any(IsOtherStatement)))
        {
            return ListEffect.MayChange;
        }

        // An object that gives the list to another one of its class adds nothing by that.
        if (!_held.Add(parameter.OriginalDefinition))
        {
            return ListEffect.None;
        }

        try
        {
            return Additions.AdditionsToHeld(parameter).Count == 0 ? ListEffect.None
                : objects.CallsOn(creation) is null ? ListEffect.MayChange
                : ListEffect.Adds;
        }
        catch (UnfollowableException)
        {
            return ListEffect.MayChange;
        }
        finally
        {
            _held.Remove(parameter.OriginalDefinition);
        }
    }

    /// <summary>Whether a constructor does more than to set fields.</summary>
    private static bool IsOtherStatement(IOperation statement) =>
        statement is not IExpressionStatementOperation
        {
            Operation: ISimpleAssignmentOperation { Target: IFieldReferenceOperation, Value: not IInvocationOperation },
        };

    /// <summary>The effect on a list that is passed to a method, including that on the same list if the method returns it.</summary>
    private ListEffect OfPassed(IInvocationOperation call, IParameterSymbol parameter, ISymbol holder)
    {
        ListEffect effect = OfPassed(call, parameter);
        if ((effect & ListEffect.Returns) == 0)
        {
            return effect;
        }

        ListEffect later = EffectOf(call, holder);
        return (effect & ~ListEffect.Returns)
            | (later == ListEffect.None || ReturnsOnly(call.TargetMethod, parameter) ? later : WithoutAdding(later));
    }

    /// <summary>The effect of a method on a list that is passed to it. If an object or function decides which method is called, that is
    /// decided where the call is read.</summary>
    public ListEffect OfPassed(IInvocationOperation call, IParameterSymbol parameter)
    {
        IMethodSymbol method = call.TargetMethod;
        if (method.IsAsync && call.Parent is not IAwaitOperation)
        {
            return ListEffect.MayChange;
        }

        if (Operations.IsOfPlatform(method) && IsReadOnly(parameter))
        {
            return ListEffect.None;
        }

        if (method.MethodKind == MethodKind.DelegateInvoke || SourceMembers.IsOverridable(method))
        {
            return ListEffect.Adds | (method.ReturnsVoid ? ListEffect.None : ListEffect.Returns);
        }

        if (members.IsHere(method))
        {
            ListEffect inside = EffectOf(Functions.InBody(parameter)).Effect & ~ListEffect.Sets;
            return (inside & ListEffect.AddsLater) != 0 ? ListEffect.MayChange : inside;
        }

        return left.AddsTo(method, parameter) is { } returns ? ListEffect.Adds | (returns ? ListEffect.Returns : ListEffect.None)
            : IsReadOnly(parameter) ? ListEffect.None
            : ListEffect.MayChange;
    }

    /// <summary>Whether a method returns the list that is passed to it, and never another one.</summary>
    public bool ReturnsOnly(IMethodSymbol method, IParameterSymbol parameter)
    {
        if (!members.IsHere(method))
        {
            return left.AddsTo(method, parameter) == true;
        }

        // A method that returns the result of itself returns nothing else by that.
        (IMethodSymbol, IParameterSymbol) returning = (method.OriginalDefinition, parameter.OriginalDefinition);
        if (!_returning.Add(returning))
        {
            return true;
        }

        IParameterSymbol used = Functions.InBody(parameter);
        bool returnsOnly = members.StatementsOf(method) is { } statements
            && !members.Uses.IsAssigned(used)
            && statements.SelectMany(statement => statement.DescendantsAndSelf()).OfType<IReturnOperation>()
                .Where(returned => !Operations.IsInFunction(returned, statements))
                .All(returned => returned.ReturnedValue is { } value && IsHeld(value, used));
        _returning.Remove(returning);
        return returnsOnly;
    }

    private bool IsHeld(IOperation value, IParameterSymbol parameter) => Operations.WithoutConversions(value) switch
    {
        IParameterReferenceOperation reference =>
            SymbolEqualityComparer.Default.Equals(reference.Parameter.OriginalDefinition, parameter.OriginalDefinition),
        IInvocationOperation { TargetMethod: var method } call => call.Arguments.Any(argument =>
                argument.Parameter is { } given && IsHeld(argument.Value, parameter) && ReturnsOnly(method, given))
            || (call.Instance is { } instance && Functions.ExtensionParameterOf(method) is { } extended
                && IsHeld(instance, parameter) && ReturnsOnly(method, extended)),
        _ => false,
    };

    /// <summary>Where it is not looked for when something is added, it may be at any time.</summary>
    private static ListEffect WithoutAdding(ListEffect effect) =>
        (effect & ListEffect.Adds) != 0 ? ListEffect.MayChange : effect;

    /// <summary>Whether a method without source gets no more than something to read.</summary>
    private static bool IsReadOnly(IParameterSymbol parameter) =>
        parameter.OriginalDefinition.Type is not ITypeParameterSymbol
        && (IsSequence(parameter.Type)
            || (parameter.Type.SpecialType == SpecialType.System_Object && Operations.IsOfPlatform(parameter.ContainingSymbol)));

    private static bool IsSequence(ITypeSymbol type) => type.OriginalDefinition.SpecialType is
        SpecialType.System_Collections_Generic_IEnumerable_T or SpecialType.System_Collections_IEnumerable
        or SpecialType.System_Collections_Generic_IReadOnlyCollection_T or SpecialType.System_Collections_Generic_IReadOnlyList_T;
}
