using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp.Syntax;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Following;

/// <summary>
/// Finds what the source does with a list of registrations that a variable, parameter, field or property holds. Only uses that are known
/// leave it as it is; any other one may change it.
/// </summary>
/// <param name="members">The source.</param>
internal sealed class ListUses(SourceMembers members)
{
    private const string WiringType = "Junctivor.Wiring";

    /// <summary>Methods of collections that only read them.</summary>
    private static readonly string[] Reading =
    [
        "GetEnumerator", "Contains", "IndexOf", "LastIndexOf", "ToArray", "ToList", "ToString", "Equals", "GetHashCode", "GetType",
        "Exists", "Find", "FindAll", "FindIndex", "FindLast", "TrueForAll", "CopyTo", "GetLength", "Clone",
    ];

    private static readonly string[] OwnAssemblies =
        ["Junctivor", "Junctivor.AspNetCore", "Junctivor.Hosting", "Junctivor.Reports", "Junctivor.Testing"];

    private readonly Dictionary<ISymbol, (ListEffect Effect, Location? Place)> _known = new(SymbolEqualityComparer.Default);

    /// <summary>What is added to a variable or parameter before it is used, in order.</summary>
    /// <param name="variable">The variable or parameter.</param>
    /// <param name="use">Where it is used.</param>
    /// <exception cref="UnfollowableException">It may be changed otherwise, or only in some runs.</exception>
    public IReadOnlyList<IOperation> AddedBefore(ISymbol variable, IOperation use)
    {
        List<IOperation> added = [];
        foreach (SymbolUse each in members.Uses.Of(variable))
        {
            switch (EffectOf(each, variable).Effect & ~ListEffect.Returns)
            {
                case ListEffect.None:
                    break;
                case ListEffect.Adds:
                    // What stands behind the use comes later, unless one of them is in something that may run at another time.
                    IOperation registration = AddedBy(each, variable, use);
                    added.AddRange(each.Syntax.SpanStart < use.Syntax.SpanStart ? [registration] : []);
                    break;
                default:
                    throw Changed(variable, each.Syntax.GetLocation());
            }
        }

        return added;
    }

    /// <exception cref="UnfollowableException">A use may change what a field or property keeps.</exception>
    public void RequireUnchanged(ISymbol member)
    {
        if (EffectOf(member) is { Effect: not ListEffect.None } changed)
        {
            throw Changed(member, changed.Place!);
        }
    }

    private static UnfollowableException Changed(ISymbol holder, Location place) =>
        new($"{holder.Name} may be changed here", place);

    /// <summary>The registration that one statement adds, which is beside the declaration and runs once.</summary>
    private static IOperation AddedBy(SymbolUse add, ISymbol variable, IOperation use)
    {
        SyntaxNode declaration = variable.DeclaringSyntaxReferences[0].GetSyntax();
        SyntaxNode? beside = variable is IParameterSymbol
            ? declaration.Parent?.Parent
            : declaration.FirstAncestorOrSelf<StatementSyntax>();
        return add.Operation?.Parent is IInvocationOperation { Parent: IExpressionStatementOperation, Arguments: [var registration] } call
            && call.Syntax.Parent is ExpressionStatementSyntax statement
            && StandBeside(statement, beside)
            && IsInSameFunction(use.Syntax, beside!)
            && use.Parent is not IMethodReferenceOperation
                ? registration.Value
                : throw new UnfollowableException(
                    "a registration is added only in some runs, or several times", add.Syntax.GetLocation());
    }

    private static bool StandBeside(StatementSyntax statement, SyntaxNode? other) => other switch
    {
        BaseMethodDeclarationSyntax method => IsSame(statement.Parent, method.Body),
        LocalFunctionStatementSyntax function => IsSame(statement.Parent, function.Body),
        StatementSyntax { Parent: GlobalStatementSyntax global } =>
            statement.Parent is GlobalStatementSyntax own && IsSame(own.Parent, global.Parent),
        StatementSyntax declaration => IsSame(statement.Parent, declaration.Parent),
        _ => false,
    } && !Jumps(statement.Parent!);

    /// <summary>With <c>goto</c> a statement may run twice, or after one that stands behind it.</summary>
    private static bool Jumps(SyntaxNode block) => (block is GlobalStatementSyntax ? block.Parent! : block).DescendantNodes()
        .Any(node => node is GotoStatementSyntax);

    /// <summary>Whether no function stands between, which could be called at another time.</summary>
    private static bool IsInSameFunction(SyntaxNode use, SyntaxNode beside) => IsSame(FunctionAround(use), FunctionAround(beside));

    /// <summary>Syntax within a body is made anew when nobody holds it, so its place tells.</summary>
    private static bool IsSame(SyntaxNode? one, SyntaxNode? other) =>
        one?.SyntaxTree == other?.SyntaxTree && one?.FullSpan == other?.FullSpan && one?.RawKind == other?.RawKind;

    private static SyntaxNode? FunctionAround(SyntaxNode node) => node is BaseMethodDeclarationSyntax or LocalFunctionStatementSyntax
        ? node
        : node.Ancestors().FirstOrDefault(IsFunction);

    private static bool IsFunction(SyntaxNode node) => node is AnonymousFunctionExpressionSyntax or LocalFunctionStatementSyntax
        or (MemberDeclarationSyntax and not GlobalStatementSyntax);

    /// <summary>What all uses of a holder together can do.</summary>
    private (ListEffect Effect, Location? Place) EffectOf(ISymbol holder)
    {
        ISymbol definition = holder.OriginalDefinition;
        if (!_known.TryGetValue(definition, out (ListEffect Effect, Location? Place) known))
        {
            // A use that leads back to the holder adds nothing to its other uses.
            _known[definition] = (ListEffect.None, null);
            foreach (SymbolUse use in members.Uses.Of(definition))
            {
                (ListEffect effect, Location place) = EffectOf(use, definition);
                known = (known.Effect | effect, effect == ListEffect.None ? known.Place : known.Place ?? place);
            }

            _known[definition] = known;
        }

        return known;
    }

    private (ListEffect Effect, Location Place) EffectOf(SymbolUse use, ISymbol holder)
    {
        Location place = use.Syntax.GetLocation();
        return use.IsNameOnly ? (ListEffect.None, place)
            : use.Operation is null || use.IsAssignment ? (ListEffect.MayChange, place)
            : (EffectOf(use.Operation, holder), place);
    }

    /// <summary>What happens to the list that an operation gives.</summary>
    private ListEffect EffectOf(IOperation list, ISymbol holder) => list.Parent switch
    {
        IConversionOperation { OperatorMethod: null } or IParenthesizedOperation => EffectOf(list.Parent, holder),
        IConditionalOperation choice => choice.Condition == list ? ListEffect.None : EffectOf(choice, holder),
        ICoalesceOperation choice => EffectOf(choice, holder),
        ISwitchExpressionArmOperation { Parent: { } choice } => EffectOf(choice, holder),
        ISwitchExpressionOperation or ISpreadOperation or INameOfOperation or IForEachLoopOperation or IBinaryOperation
            or IIsTypeOperation or IInterpolationOperation or ILockOperation => ListEffect.None,
        IIsPatternOperation { Pattern: IConstantPatternOperation or INegatedPatternOperation { Pattern: IConstantPatternOperation } } =>
            ListEffect.None,
        IInvocationOperation call when call.Instance == list => EffectOf(call.TargetMethod),
        IMethodReferenceOperation method when method.Instance == list => EffectOf(method.Method) & ~ListEffect.Adds
            | (EffectOf(method.Method) == ListEffect.Adds ? ListEffect.MayChange : ListEffect.None),
        IPropertyReferenceOperation property when property.Instance == list => OfElement(property, property.Property),
        IImplicitIndexerReferenceOperation element when element.Instance == list =>
            OfElement(element, element.IndexerSymbol),
        IArrayElementReferenceOperation element when element.ArrayReference == list => OfElement(element, element.Type),
        IConditionalAccessOperation access when access.Operation == list => OfPlaceholders(access, holder),
        IConditionalAccessOperation access => EffectOf(access, holder),
        IVariableInitializerOperation { Parent: IVariableDeclaratorOperation { Symbol: var alias } } => EffectOf(alias).Effect,
        IFieldInitializerOperation { InitializedFields: [var alias] } => EffectOf(alias).Effect,
        IPropertyInitializerOperation { InitializedProperties: [var alias] } => EffectOf(alias).Effect,
        IReturnOperation => OfReturned(list, holder),
        IArgumentOperation argument => OfArgument(argument, holder),
        _ => ListEffect.MayChange,
    };

    private ListEffect OfPlaceholders(IConditionalAccessOperation access, ISymbol holder) => access.WhenNotNull.DescendantsAndSelf()
        .OfType<IConditionalAccessInstanceOperation>()
        .Where(placeholder => Operations.ReceiverOf(placeholder) == access.Operation)
        .Aggregate(ListEffect.None, (effect, placeholder) => effect | EffectOf(placeholder, holder));

    /// <summary>What a method that is called on the list does to it.</summary>
    private static ListEffect EffectOf(IMethodSymbol method) =>
        Operations.IsOf(method.ContainingType, WiringType)
            ? method.Name == "Add" ? ListEffect.Adds : ListEffect.None
            : Operations.IsOfPlatform(method) && Reading.Contains(method.Name) ? ListEffect.None
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
            .FirstOrDefault(IsFunction);
        if (function is AnonymousFunctionExpressionSyntax)
        {
            return members.OperationOf(function) is { } lambda && ConditionalWiringOf(lambda) is { } call
                ? EffectOf(call, holder)
                : ListEffect.MayChange;
        }

        if (holder is ILocalSymbol or IParameterSymbol)
        {
            return IsSame(function, FunctionOf(holder)) ? ListEffect.Returns : ListEffect.MayChange;
        }

        return function is MemberDeclarationSyntax or LocalFunctionStatementSyntax
            && members.DeclaredBy(function) is { } member
            && !CanBeCalledAsAnother(member)
                ? EffectOf(member).Effect
                : ListEffect.MayChange;
    }

    private static SyntaxNode? FunctionOf(ISymbol variable) =>
        variable.DeclaringSyntaxReferences[0].GetSyntax().Ancestors().FirstOrDefault(IsFunction);

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
            return IsConditionalWiring(method) && argument.Parent is { } call ? EffectOf(call, holder) : ListEffect.None;
        }

        if (!members.IsHere(method))
        {
            return IsReadOnly(parameter) ? ListEffect.None : ListEffect.MayChange;
        }

        if (SourceMembers.IsOverridable(method) || argument.Parent is not IInvocationOperation { } invocation)
        {
            return ListEffect.MayChange;
        }

        ListEffect inside = EffectOf(parameter).Effect;
        return (inside & (ListEffect.Adds | ListEffect.MayChange)) != 0 ? ListEffect.MayChange
            : inside == ListEffect.Returns ? EffectOf(invocation, holder)
            : ListEffect.None;
    }

    /// <summary>Whether a method without source gets no more than something to read.</summary>
    private static bool IsReadOnly(IParameterSymbol parameter) =>
        parameter.OriginalDefinition.Type is not ITypeParameterSymbol
        && (IsSequence(parameter.Type)
            || (parameter.Type.SpecialType == SpecialType.System_Object && Operations.IsOfPlatform(parameter.ContainingSymbol)));

    private static bool IsSequence(ITypeSymbol type) => type.OriginalDefinition.SpecialType is
        SpecialType.System_Collections_Generic_IEnumerable_T or SpecialType.System_Collections_IEnumerable
        or SpecialType.System_Collections_Generic_IReadOnlyCollection_T or SpecialType.System_Collections_Generic_IReadOnlyList_T;
}
