using Junctivor.Generators.Leaving;
using Junctivor.Graph;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Following;

/// <summary>Follows an expression that gives a scope level of the user's own.</summary>
/// <param name="members">The source.</param>
/// <param name="left">What other assemblies left behind.</param>
/// <param name="values">Reads values.</param>
/// <param name="types">Reads types.</param>
internal sealed class LevelFollower(SourceMembers members, LeftBehind left, ValueReading values, TypeReading types)
{
    /// <summary>By what keeps it: a static field or property, or a variable of one evaluation.</summary>
    private readonly Dictionary<(ISymbol Keeper, Frame? Home), Level> _known = [];

    /// <summary>Whether it followed any.</summary>
    public bool HasKept => _known.Count > 0;

    /// <summary>The level; the same for the same field or variable.</summary>
    public Level Follow(IOperation level, Frame frame)
    {
        (IOperation plain, Frame at) = values.ResolveArguments(level, frame);
        return plain switch
        {
            IFieldReferenceOperation { Field: { IsReadOnly: true, IsStatic: true } field } =>
                Kept(types.MemberIn(field, at), null, plain, at),
            IPropertyReferenceOperation { Property: { IsStatic: true } property } when IsKept(property) =>
                Kept(types.MemberIn(property, at), null, plain, at),
            ILocalReferenceOperation { Local: var local } when at.HomeOf(local) is { } home => Kept(local, home, plain, home),
            _ => throw values.Unknown(plain, "the scope level"),
        };
    }

    /// <summary>What other projects call it: the field or property that it is kept in; null if they cannot name it.</summary>
    public string? IdOf(Level level) => _known
        .Where(known => known.Value == level
            && known.Key.Keeper is { ContainingType.IsGenericType: false } and (IFieldSymbol or IPropertySymbol))
        .Select(known => DocumentationCommentId.CreateDeclarationId(known.Key.Keeper))
        .FirstOrDefault();

    /// <summary>The level that a field or property of the source keeps.</summary>
    public Level FollowMember(ISymbol member, IOperation value) => Kept(member, null, value, Frame.Empty);

    /// <summary>A property of another assembly says itself whether it keeps one, by what it left behind.</summary>
    private bool IsKept(IPropertySymbol property) => !members.IsHere(property) || members.IsKept(property);

    private Level Kept(ISymbol keeper, Frame? home, IOperation use, Frame frame)
    {
        if (!_known.TryGetValue((keeper, home), out Level? level))
        {
            if (!members.IsHere(keeper) && left.LevelOf(keeper) is { } foreign)
            {
                _known.Add((keeper, home), foreign);
                return foreign;
            }

            Location from = Operations.LocationOf(use);
            IOperation value = Operations.WithoutConversions(members.ValueOf(keeper, from));
            level = value is IObjectCreationOperation creation && Operations.IsOf(creation.Type, "Junctivor.ScopeLevel")
                ? members.Inside(keeper, from, () => Created(creation, frame))
                : throw Unfollowable.Unknown(use, "the scope level");
            _known.Add((keeper, home), level);
        }

        return level;
    }

    private Level Created(IObjectCreationOperation creation, Frame frame)
    {
        if (ValueOf(creation, "name").ConstantValue is not { HasValue: true, Value: string name })
        {
            throw Unfollowable.Unknown(ValueOf(creation, "name"), "the name of the scope level");
        }

        IOperation within = Operations.WithoutConversions(ValueOf(creation, "within"));
        Level? outer = within.ConstantValue is { HasValue: true, Value: null } ? null : Follow(within, frame);
        string? variable = ValueOf(creation, "variable").ConstantValue.Value as string;
        return new Level(name, outer, Level.IsNamedAfter(variable, name) ? variable : null);
    }

    private static IOperation ValueOf(IObjectCreationOperation creation, string parameter) =>
        creation.Arguments.First(argument => argument.Parameter?.Name == parameter).Value;
}
