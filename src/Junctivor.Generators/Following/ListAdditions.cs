using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp.Syntax;
using Microsoft.CodeAnalysis.Operations;
using Microsoft.CodeAnalysis.Text;

namespace Junctivor.Generators.Following;

/// <summary>Finds where the source adds to a list of registrations that a variable, parameter or field holds.</summary>
/// <param name="uses">Knows the uses of lists.</param>
/// <param name="members">The source.</param>
/// <param name="objects">Finds the calls on objects.</param>
internal sealed class ListAdditions(ListUses uses, SourceMembers members, ObjectUses objects)
{
    private readonly Dictionary<(ISymbol Holder, SyntaxNode? Home), IReadOnlyList<ListAddition>> _additions = [];

    /// <summary>Where something is added to the list that a variable, parameter or field holds, or where it gets another list; and the
    /// calls of functions that do so.</summary>
    /// <exception cref="UnfollowableException">It may be changed otherwise, or by a function of which not every call is known.</exception>
    public IReadOnlyList<ListAddition> AdditionsTo(ISymbol holder) => AdditionsIn(HomeOf(holder), holder);

    /// <summary>The same within one function, for a parameter that several functions have.</summary>
    public IReadOnlyList<ListAddition> AdditionsIn(SyntaxNode? home, ISymbol holder)
    {
        ISymbol definition = holder.OriginalDefinition;
        if (!_additions.TryGetValue((definition, home), out IReadOnlyList<ListAddition>? known))
        {
            _additions.Add((definition, home), known = FindAdditions(definition, home));
        }

        return known;
    }

    private List<ListAddition> FindAdditions(ISymbol holder, SyntaxNode? home)
    {
        List<ListAddition> additions = [];
        SyntaxNode? shared = null;
        foreach (SymbolUse use in members.Uses.Of(holder))
        {
            ListEffect effect = uses.EffectOf(use, holder).Effect;
            if ((effect & ListEffect.MayChange) != 0)
            {
                throw Unfollowable.MayChange(holder, use.Syntax.GetLocation());
            }

            if ((effect & (ListEffect.Adds | ListEffect.Sets)) != 0)
            {
                IReadOnlyList<ListAddition> added = [.. Climb(use.Operation!)];
                additions.AddRange(added.Count > 0 ? added : throw Unfollowable.MayChange(holder, use.Syntax.GetLocation()));
            }

            shared ??= (effect & ListEffect.Shares) != 0 ? use.Syntax : null;
        }

        if (shared is not null && additions.Find(each => !EndsBefore(each.Node.Syntax, shared)) is { } later)
        {
            throw Unfollowable.MayChange(holder, later.Node.Syntax.GetLocation());
        }

        if (Functions.IsOfBlock(holder))
        {
            additions.RemoveAll(each => home?.Span.Contains(each.Node.Syntax.Span) != true);
        }

        AddCalls(home, additions);
        return additions;
    }

    /// <summary>Where the methods of a class add to the list that a field of it keeps, and the calls of one of them by another.</summary>
    /// <exception cref="UnfollowableException">Other code may change it.</exception>
    public IReadOnlyList<ListAddition> AdditionsToField(ISymbol field) => AdditionsToAll([field]);

    /// <summary>Where the methods of a class add to the list that its constructor gets.</summary>
    /// <exception cref="UnfollowableException">Other code may change it.</exception>
    public IReadOnlyList<ListAddition> AdditionsToHeld(IParameterSymbol parameter) => AdditionsToAll([parameter, .. KeptFrom(parameter)]);

    private List<ListAddition> AdditionsToAll(IReadOnlyList<ISymbol> keepers)
    {
        List<ListAddition> additions = [];
        foreach (ISymbol keeper in keepers)
        {
            foreach (SymbolUse use in members.Uses.Of(keeper).Where(use => FieldKeptBy(use) is null))
            {
                ListEffect effect = uses.EffectOf(use, keeper).Effect;
                if ((effect & (ListEffect.MayChange | ListEffect.Sets)) != 0)
                {
                    throw Unfollowable.MayChange(keeper, use.Syntax.GetLocation());
                }

                if ((effect & ListEffect.Adds) != 0)
                {
                    IReadOnlyList<ListAddition> added = [.. Climb(use.Operation!)];
                    additions.AddRange(added.Count > 0 && IsOwn(use.Operation!)
                        ? added
                        : throw Unfollowable.MayChange(keeper, use.Syntax.GetLocation()));
                }
            }
        }

        if (additions.Count > 0 && keepers[0].ContainingType is { } type && ObjectUses.PlaceWhereThisIsGiven(type) is { } given)
        {
            throw Unfollowable.MayChange(keepers[0], given);
        }

        HashSet<TextSpan> known = [];
        for (int number = 0; number < additions.Count; number++)
        {
            if (Functions.FunctionAround(additions[number].Node.Syntax) is { } function && known.Add(function.Span))
            {
                additions.AddRange(
                    function is BaseMethodDeclarationSyntax ? OwnCallsOf(function) : CallsOf(function, additions[number].Node));
            }
        }

        return additions;
    }

    /// <summary>The calls of a method on the same object.</summary>
    private IEnumerable<ListAddition> OwnCallsOf(SyntaxNode method) =>
        members.DeclaredBy(method) is IMethodSymbol { MethodKind: not MethodKind.Constructor } symbol
            ? members.Uses.Of(symbol).Select(use => use.Operation).OfType<IInvocationOperation>()
                .Where(call => call.Instance is IInstanceReferenceOperation)
                .Select(call => new ListAddition(call, ListAdditionKind.Called, null))
            : [];

    private static bool IsOwn(IOperation keeper) =>
        keeper is IParameterReferenceOperation or IMemberReferenceOperation { Instance: IInstanceReferenceOperation };

    /// <summary>The private fields that keep an argument of a constructor.</summary>
    private IEnumerable<ISymbol> KeptFrom(IParameterSymbol parameter) =>
        members.Uses.Of(parameter).Select(FieldKeptBy).OfType<ISymbol>();

    /// <summary>The private field that gets a list and keeps it; null for another use.</summary>
    private static IFieldSymbol? FieldKeptBy(SymbolUse use) => use.Operation?.Parent switch
    {
        IFieldInitializerOperation { InitializedFields: [var field] } when IsKeeper(field) => field,
        ISimpleAssignmentOperation
        {
            Target: IFieldReferenceOperation { Field: var field, Instance: IInstanceReferenceOperation },
        } assignment
            when assignment.Value == use.Operation && assignment.Parent is IExpressionStatementOperation && IsKeeper(field) => field,
        _ => null,
    };

    private static bool IsKeeper(IFieldSymbol field) =>
        field is { IsReadOnly: true, IsStatic: false, DeclaredAccessibility: Accessibility.Private };

    /// <summary>Where a variable with a single value gets another one; and the calls of functions in which it does.</summary>
    /// <exception cref="UnfollowableException">It may get one otherwise.</exception>
    public IReadOnlyList<ListAddition> AssignmentsTo(ISymbol variable)
    {
        List<ListAddition> assignments = [];
        foreach (SymbolUse use in members.Uses.Of(variable).Where(use => use.IsAssignment))
        {
            assignments.Add(use.Operation is { Parent: IAssignmentOperation assignment } target
                && ListUses.IsPlainAssignment(target, variable)
                ? new ListAddition(assignment, ListAdditionKind.Assigned, null)
                : throw Unfollowable.AnotherValue(variable, use.Syntax.GetLocation()));
        }

        AddCalls(HomeOf(variable), assignments);
        return assignments;
    }

    private static bool EndsBefore(SyntaxNode addition, SyntaxNode use) =>
        (addition.Span.End <= use.SpanStart || addition.Span.Contains(use.Span))
        && Functions.IsSame(Functions.FunctionAround(addition), Functions.FunctionAround(use));

    /// <summary>The calls that add to a list, from the innermost one outwards.</summary>
    private IEnumerable<ListAddition> Climb(IOperation list)
    {
        IOperation current = list;
        while (true)
        {
            switch (current.Parent)
            {
                case IConversionOperation { OperatorMethod: null } or IParenthesizedOperation or IAwaitOperation:
                    current = current.Parent;
                    break;
                case IAssignmentOperation assignment when assignment.Target == current:
                    yield return new ListAddition(assignment, ListAdditionKind.Assigned, null);
                    yield break;
                case IConditionalAccessOperation access when access.Operation == current:
                    current = access.WhenNotNull.DescendantsAndSelf().OfType<IConditionalAccessInstanceOperation>()
                        .First(placeholder => Operations.ReceiverOf(placeholder) == access.Operation);
                    break;
                case IConditionalAccessOperation access:
                    current = access;
                    break;
                case IInvocationOperation call when call.Instance == current:
                    if (Functions.ExtensionParameterOf(call.TargetMethod) is { } extended)
                    {
                        yield return new ListAddition(call, ListAdditionKind.Passed, extended);
                        current = call;
                        break;
                    }

                    if (ListUses.EffectOf(call.TargetMethod) == ListEffect.Adds)
                    {
                        yield return new ListAddition(call, ListAdditionKind.Own, null);
                    }

                    yield break;
                case IArgumentOperation { Parameter: { } parameter, Parent: IObjectCreationOperation creation }:
                    foreach (IInvocationOperation call in objects.CallsOn(creation) ?? [])
                    {
                        yield return new ListAddition(call, ListAdditionKind.Held, parameter);
                    }

                    yield break;
                case IArgumentOperation { Parameter: { } parameter, Parent: IInvocationOperation call } argument:
                    if ((uses.OfPassed(call, parameter) & ListEffect.Adds) != 0)
                    {
                        yield return new ListAddition(call, ListAdditionKind.Passed, parameter);
                    }

                    current = call;
                    break;
                default:
                    yield break;
            }
        }
    }

    /// <summary>The calls of the local functions and lambdas in which something is added: they decide when.</summary>
    private void AddCalls(SyntaxNode? home, List<ListAddition> additions)
    {
        HashSet<TextSpan> known = [];
        for (int number = 0; number < additions.Count; number++)
        {
            SyntaxNode? function = Functions.FunctionAround(additions[number].Node.Syntax);
            if (!Functions.IsSame(function, home) && function is not null && known.Add(function.Span))
            {
                additions.AddRange(CallsOf(function, additions[number].Node));
            }
        }
    }

    private IEnumerable<ListAddition> CallsOf(SyntaxNode function, IOperation added)
    {
        ISymbol? named = function switch
        {
            LocalFunctionStatementSyntax => members.DeclaredBy(function),
            AnonymousFunctionExpressionSyntax { Parent: EqualsValueClauseSyntax { Parent: VariableDeclaratorSyntax variable } } =>
                members.DeclaredBy(variable) is ILocalSymbol local && !members.Uses.IsAssigned(local) ? local : null,
            _ => null,
        };
        foreach (SymbolUse use in named is null ? throw Unfollowable.AddedInSomeRuns(Operations.LocationOf(added)) : members.Uses.Of(named))
        {
            if (use.IsNameOnly)
            {
                continue;
            }

            IInvocationOperation? call = use.Operation switch
            {
                IInvocationOperation direct => direct,
                ILocalReferenceOperation
                {
                    Parent: IInvocationOperation { TargetMethod.MethodKind: MethodKind.DelegateInvoke } of,
                } reference when of.Instance == reference => of,
                _ => null,
            };
            yield return call is not null && !call.TargetMethod.IsAsync
                ? new ListAddition(call, ListAdditionKind.Called, null)
                : throw Unfollowable.AddedInSomeRuns(Operations.LocationOf(added));
        }
    }

    /// <summary>The function that declares a variable or parameter; of a field, the static constructor.</summary>
    public SyntaxNode? HomeOf(ISymbol holder) => holder switch
    {
        ILocalSymbol => Functions.FunctionOf(holder),
        IParameterSymbol { ContainingSymbol: IMethodSymbol { MethodKind: not MethodKind.Constructor } method } =>
            members.DeclarationOf(method) ?? Functions.FunctionOf(holder),
        IFieldSymbol or IPropertySymbol when members.StaticConstructorOf(holder) is { } constructor => members.DeclarationOf(constructor),
        _ => null,
    };
}
