namespace Junctivor.Tests.Properties;

/// <summary>One service of a random wiring.</summary>
internal sealed record RandomNode(Type Id, Life Life, bool IsDecorated, IReadOnlyList<(RandomNode Node, int Form)> Needs)
{
    public const int FreshScope = 4;

    public Type Service { get; } = typeof(IPart<>).MakeGenericType(Id);

    /// <summary>Another name for the service.</summary>
    public Type Alias { get; } = typeof(IAlso<>).MakeGenericType(Id);

    /// <summary>The shortest life that it needs around it; a transient needs what its needs need.</summary>
    public Life Reach => Life != Life.Transient
        ? Life
        : Needs.Where(need => need.Form != FreshScope).Select(need => need.Node.Reach).DefaultIfEmpty(Life.Singleton).Max();

    /// <summary>Whether it reaches, through fresh scopes too, something that lives in a shift.</summary>
    public bool NeedsShift => Life == Life.Shift || Needs.Any(need => need.Node.NeedsShift);

    public Registration ToRegistration(ScopeLevel shift, bool isPlain) => Of(
        Life, shift, Class(isPlain ? PlainParts.Definition : typeof(Made<,,,>), [.. Needs.Select(need => TypeOf(need.Node, need.Form))]));

    public Registration WithFurtherNeed(ScopeLevel shift, Type need) =>
        Of(Life, shift, Class(typeof(Made<,,,>), [.. Needs.Take(2).Select(each => TypeOf(each.Node, each.Form)), need]));

    public Registration Of(Life life, ScopeLevel shift, Type made) => life switch
    {
        Life.Singleton => Singleton.Of(Service, made),
        Life.Shift => shift.Of(Service, made),
        Life.Scoped => Scoped.Of(Service, made),
        _ => Transient.Of(Service, made),
    };

    private Type Class(Type definition, IReadOnlyList<Type> needs) => definition.MakeGenericType(
        [Id, .. needs.Concat(Enumerable.Repeat(typeof(Nothing), 3)).Take(3)]);

    private static Type TypeOf(RandomNode node, int form) => form switch
    {
        1 => typeof(Lazy<>).MakeGenericType(node.Service),
        2 => typeof(Func<>).MakeGenericType(node.Service),
        3 => typeof(IReadOnlyList<>).MakeGenericType(node.Service),
        FreshScope => typeof(FreshScope<>).MakeGenericType(node.Service),
        5 => node.Alias,
        6 => typeof(Lazy<>).MakeGenericType(typeof(IReadOnlyList<>).MakeGenericType(node.Alias)),
        _ => node.Service,
    };
}
