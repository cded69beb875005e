using Junctivor.Generators.Leaving;
using Junctivor.Graph;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.Operations;

namespace Junctivor.Generators.Following;

/// <summary>Follows an expression that gives a scope level of the user's own.</summary>
/// <param name="members">The source.</param>
/// <param name="left">What other assemblies left behind.</param>
internal sealed class LevelFollower(SourceMembers members, LeftBehind left)
{
    private readonly Dictionary<ISymbol, Level> _known = new(SymbolEqualityComparer.Default);

    /// <summary>The level; the same for the same field or variable.</summary>
    public Level Follow(IOperation level, Frame frame)
    {
        (IOperation plain, Frame at) = frame.Resolve(level);
        return plain switch
        {
            IFieldReferenceOperation { Field.IsReadOnly: true } field => Kept(field.Field, plain, at),
            IPropertyReferenceOperation property when members.IsKept(property.Property) => Kept(property.Property, plain, at),
            ILocalReferenceOperation local when !members.IsReassigned(local.Local) => Kept(local.Local, plain, at),
            _ => throw Operations.Unknown(plain, "the scope level"),
        };
    }

    /// <summary>What other projects call it: the field or property that it is kept in; null where they cannot name it.</summary>
    public string? IdOf(Level level) => _known
        .Where(known => known.Value == level && known.Key is IFieldSymbol or IPropertySymbol)
        .Select(known => DocumentationCommentId.CreateDeclarationId(known.Key))
        .FirstOrDefault();

    /// <summary>The level that a field or property of the source keeps.</summary>
    public Level FollowMember(ISymbol member, IOperation value) => Kept(member, value, Frame.Empty);

    private Level Kept(ISymbol member, IOperation use, Frame frame)
    {
        if (!_known.TryGetValue(member, out Level? level))
        {
            if (member.DeclaringSyntaxReferences.IsEmpty && left.LevelOf(member) is { } foreign)
            {
                _known.Add(member, foreign);
                return foreign;
            }

            Location from = Operations.LocationOf(use);
            IOperation value = Operations.WithoutConversions(members.ValueOf(member, from));
            level = value is IObjectCreationOperation creation && Operations.IsOf(creation.Type, "Junctivor.ScopeLevel")
                ? members.Inside(member, from, () => Created(creation, frame))
                : throw Operations.Unknown(use, "the scope level");
            _known.Add(member, level);
        }

        return level;
    }

    private Level Created(IObjectCreationOperation creation, Frame frame)
    {
        if (ValueOf(creation, "name").ConstantValue is not { HasValue: true, Value: string name })
        {
            throw Operations.Unknown(ValueOf(creation, "name"), "the name of the scope level");
        }

        IOperation within = Operations.WithoutConversions(ValueOf(creation, "within"));
        Level? outer = within.ConstantValue is { HasValue: true, Value: null } ? null : Follow(within, frame);
        string? variable = ValueOf(creation, "variable").ConstantValue.Value as string;
        return new Level(name, outer, Level.IsNamedAfter(variable, name) ? variable : null);
    }

    private static IOperation ValueOf(IObjectCreationOperation creation, string parameter) =>
        creation.Arguments.First(argument => argument.Parameter?.Name == parameter).Value;
}
