using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp.Syntax;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Following;

/// <summary>Reads the content of a list that a variable, parameter or field holds, after all additions.</summary>
/// <param name="wirings">Follows wirings.</param>
/// <param name="registrations">Follows registrations.</param>
/// <param name="members">The source.</param>
/// <param name="lists">Knows the uses of lists.</param>
/// <param name="calls">Finds the code that calls run.</param>
/// <param name="conditions">Reads conditions.</param>
/// <param name="sequences">Reads the sequences of loops.</param>
internal sealed class ListContents(
    WiringFollower wirings,
    RegistrationFollower registrations,
    SourceMembers members,
    ListUses lists,
    CallReader calls,
    ConditionReader conditions,
    SequenceReader sequences)
{
    public WiringFollower Wirings => wirings;

    public RegistrationFollower Registrations => registrations;

    public SourceMembers Members => members;

    public ListUses Lists => lists;

    public CallReader Calls => calls;

    public ConditionReader Conditions => conditions;

    public SequenceReader Sequences => sequences;

    /// <summary>Its content at a use.</summary>
    /// <param name="holder">The variable or parameter.</param>
    /// <param name="home">The evaluation that it belongs to.</param>
    /// <param name="first">Its first content.</param>
    /// <param name="use">Where it is used.</param>
    /// <exception cref="UnfollowableException">It may be changed otherwise, or how often something is added is not known.</exception>
    public IReadOnlyList<WiringEntry> At(ISymbol holder, Frame home, IReadOnlyList<WiringEntry> first, IOperation use)
    {
        SyntaxNode? function = Functions.IsOfBlock(holder) ? home.Body : lists.Additions.HomeOf(holder);
        return At(holder, home, first, use, lists.Additions.AdditionsIn(function, holder), function);
    }

    /// <summary>The registration of a variable at a use.</summary>
    /// <exception cref="UnfollowableException">It may get another one otherwise.</exception>
    public IReadOnlyList<WiringEntry> AssignedAt(ISymbol variable, Frame home, IReadOnlyList<WiringEntry> first, IOperation use) =>
        At(variable, home, first, use, lists.Additions.AssignmentsTo(variable), lists.Additions.HomeOf(variable));

    private IReadOnlyList<WiringEntry> At(
        ISymbol holder,
        Frame home,
        IReadOnlyList<WiringEntry> first,
        IOperation use,
        IReadOnlyList<ListAddition> additions,
        SyntaxNode? function)
    {
        if (additions.Count == 0)
        {
            return first;
        }

        if (!Functions.IsSame(Functions.FunctionAround(use.Syntax), function) || use.Parent is IMethodReferenceOperation)
        {
            throw Unfollowable.AddedInSomeRuns(Operations.LocationOf(additions[0].Node));
        }

        return Run(RegionOf(holder, home, use), home, new ListBuilding(this, additions, first, use));
    }

    /// <summary>Its content at the end of the function that declares it.</summary>
    public IReadOnlyList<WiringEntry> AtEnd(
        ISymbol holder, IReadOnlyList<IOperation> statements, Frame frame, IReadOnlyList<WiringEntry> first) =>
        Run(
            statements,
            frame,
            new ListBuilding(
                this,
                lists.Additions.AdditionsIn(
                    Functions.IsOfBlock(holder) ? Functions.FunctionAround(statements[0].Syntax) : lists.Additions.HomeOf(holder), holder),
                first,
                until: null));

    private IReadOnlyList<WiringEntry> Run(IReadOnlyList<IOperation> statements, Frame frame, ListBuilding building)
    {
        new StatementWalk(conditions, sequences, building).Run(statements, frame, []);
        return building.Entries;
    }

    /// <summary>The statements in which a variable is known: for a variable from its declaration on, for a parameter all.</summary>
    private IReadOnlyList<IOperation> RegionOf(ISymbol holder, Frame home, IOperation use)
    {
        IReadOnlyList<IOperation>? region = holder switch
        {
            IParameterSymbol { ContainingSymbol: IMethodSymbol { MethodKind: MethodKind.AnonymousFunction } function } =>
                (members.OperationOf(function.DeclaringSyntaxReferences[0].GetSyntax()) as IAnonymousFunctionOperation)?.Body.Operations,
            IParameterSymbol { ContainingSymbol: IMethodSymbol { MethodKind: not MethodKind.Constructor } method } =>
                members.StatementsOf(method),
            IParameterSymbol { ContainingSymbol: INamedTypeSymbol { TypeKind: TypeKind.Extension } } when home.Body is { } body
                && members.DeclaredBy(body) is { } extending => members.StatementsOf(extending),
            ILocalSymbol => Behind(members.OperationOf(holder.DeclaringSyntaxReferences[0].GetSyntax())),
            _ => null,
        };
        return region ?? throw Unfollowable.Unknown(use, "the wiring");
    }

    /// <summary>The calls on an object that a variable has which run before it is used.</summary>
    public IReadOnlyList<ObjectCall> CallsBefore(ILocalSymbol local, IReadOnlyList<IInvocationOperation> made, IOperation use, Frame home)
    {
        if (!Functions.IsSame(Functions.FunctionAround(use.Syntax), lists.Additions.HomeOf(local))
            || made.Any(call => !Functions.IsSame(Functions.FunctionAround(call.Syntax), lists.Additions.HomeOf(local))))
        {
            throw Unfollowable.Unknown(use, "when the calls run");
        }

        CallCollection collection = new(made, use);
        new StatementWalk(conditions, sequences, collection).Run(RegionOf(local, home, use), home, []);
        return collection.Run;
    }

    /// <summary>The list that a field of an object keeps, after calls of its methods.</summary>
    /// <param name="field">The field, or a property that keeps it.</param>
    /// <param name="created">The object.</param>
    /// <param name="first">Its first content.</param>
    /// <param name="additions">Where the methods add to it.</param>
    /// <param name="use">Where it is used.</param>
    public IReadOnlyList<WiringEntry> InObject(
        ISymbol field, CreatedObject created, IReadOnlyList<WiringEntry> first, IReadOnlyList<ListAddition> additions, Location use)
    {
        if (created.Calls is not { } made)
        {
            throw new UnfollowableException($"{field.Name} may be changed by code that also has the object", use);
        }

        if (additions.FirstOrDefault(each => IsInOtherConstructor(each, created.Creation.Constructor)) is { } added)
        {
            throw Unfollowable.MayChange(field, Operations.LocationOf(added.Node));
        }

        IReadOnlyList<WiringEntry> entries = first;
        if (created.Creation.Constructor is { IsImplicitlyDeclared: false } constructor
            && members.StatementsOf(constructor) is { } statements)
        {
            Frame frame = new() { Receiver = created, Body = members.DeclarationOf(constructor), Caller = created.Frame };
            entries = Run(statements, frame, new ListBuilding(this, additions, entries, until: null));
        }

        foreach (ObjectCall each in made)
        {
            if (calls.Read(each.Call, each.Frame) is { } called)
            {
                ListBuilding building = new(this, additions, entries, until: null);
                members.Inside(called.Function, use, () =>
                    new StatementWalk(conditions, sequences, building).Run(called.Statements, called.Frame, each.Path));
                entries = building.Entries;
            }
        }

        return entries;
    }

    /// <summary>Whether something is added in a constructor that the creation of an object only leads to.</summary>
    private bool IsInOtherConstructor(ListAddition addition, IMethodSymbol? constructor) =>
        Functions.FunctionAround(addition.Node.Syntax) is ConstructorDeclarationSyntax function
        && !(constructor is not null && Functions.IsSame(function, members.DeclarationOf(constructor)));

    private static IReadOnlyList<IOperation>? Behind(IOperation? declaration)
    {
        for (IOperation? statement = declaration; statement is not null; statement = statement.Parent)
        {
            IReadOnlyList<IOperation>? around = statement.Parent switch
            {
                IBlockOperation block => block.Operations,
                ISwitchCaseOperation section => section.Body,
                _ => null,
            };
            if (around is not null)
            {
                return [.. around.SkipWhile(each => each != statement)];
            }
        }

        return null;
    }
}
