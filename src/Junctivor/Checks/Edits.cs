using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>Makes the edits of the fixes. There is none if the code is to be filled in, or where nobody knows the place.</summary>
internal static class Edits
{
    public static IReadOnlyList<SourceEdit> Append(Node node, string option) => At(node, SourceEditKind.AppendOption, option);

    public static IReadOnlyList<SourceEdit> RemoveOption(Node node, string option, string? naming = null) =>
        At(node, SourceEditKind.RemoveOption, option, naming);

    public static IReadOnlyList<SourceEdit> RenamePassed(Node node, string passed, string name) =>
        At(node, SourceEditKind.RenamePassed, name, passed);

    public static IReadOnlyList<SourceEdit> Start(Node node, string start) => At(node, SourceEditKind.ReplaceStart, start);

    public static IReadOnlyList<SourceEdit> Lifetime(Node node, Level level) =>
        At(node, SourceEditKind.ReplaceLifetime, RegistrationText.Start(level));

    public static IReadOnlyList<SourceEdit> Method(Node node, string method) => At(node, SourceEditKind.ReplaceMethod, method);

    /// <summary>Registers something beside what requires it.</summary>
    public static IReadOnlyList<SourceEdit> Register(Node beside, string registration) =>
        At(beside, SourceEditKind.AddRegistration, registration);

    public static IReadOnlyList<SourceEdit> Remove(IEnumerable<Node> nodes) =>
        OfAll(nodes.Select(node => At(node, SourceEditKind.RemoveRegistration, "")));

    public static IReadOnlyList<SourceEdit> Move(Node node, Node behind) => behind.Registration.Place is { IsKnown: true } place
        ? [.. At(node, SourceEditKind.MoveRegistration, "").Select(edit => edit with { TargetFile = place.File, TargetLine = place.Line })]
        : [];

    /// <summary>Changes the parameter of a dependency to a fresh scope of it.</summary>
    /// <param name="dependency">The dependency.</param>
    /// <param name="parameter">The new parameter.</param>
    /// <param name="held">What is created in the scope: what it keeps is lost at the end of each.</param>
    public static IReadOnlyList<SourceEdit> Take(Dependency dependency, string parameter, Node held) =>
        [.. Take(dependency, parameter).Select(edit => edit with { State = StateOf(held) })];

    /// <summary>What a service or something behind it keeps from one call to the next; null if nothing does.</summary>
    private static string? StateOf(Node held) => ServiceGraph.Walk([held])
        .Where(node => node.Level != Level.Singleton)
        .Select(node => node.Kind != NodeKind.Class ? node.Name
            : node.Implementation.State.Count > 0 ? $"{node.Implementation.Name}.{node.Implementation.State[0]}"
            : null)
        .FirstOrDefault(state => state is not null);

    /// <summary>Changes the parameter of a dependency: in the constructor, or in the factory.</summary>
    public static IReadOnlyList<SourceEdit> Take(Dependency dependency, string parameter) => dependency.Consumer.Kind switch
    {
        NodeKind.Class when dependency.Number < (dependency.Consumer.ChosenConstructor?.Parameters.Length ?? 0)
            && !(dependency.Consumer.Implementation.Arguments.Count > 0 && dependency.Parameter.Type.Arguments.Count > 0) =>
            OfClass(dependency.Consumer.Implementation, SourceEditKind.ChangeParameter, parameter, dependency.Parameter.Name),
        NodeKind.Factory => At(dependency.Consumer, SourceEditKind.ChangeParameter, parameter, dependency.Parameter.Name),
        _ => [],
    };

    public static IReadOnlyList<SourceEdit> ChangeParameter(TypeRef type, string name, string parameter) =>
        type.IsOpen ? [] : OfClass(type, SourceEditKind.ChangeParameter, parameter, name);

    public static IReadOnlyList<SourceEdit> Attribute(Node node, Constructor constructor, string attribute) => OfClass(
        node.Implementation, SourceEditKind.AddAttribute, attribute,
        string.Join(",", constructor.Parameters.Select(parameter => parameter.Name)));

    public static IReadOnlyList<SourceEdit> MakeConstructorPublic(TypeRef type) => OfClass(type, SourceEditKind.MakeConstructorPublic, "");

    /// <summary>Lets a class implement an interface of which it need write no member.</summary>
    public static IReadOnlyList<SourceEdit> Implement(TypeRef type, TypeRef service) => service.IsMarker && !service.IsOpen
        ? OfClass(type, SourceEditKind.AddInterface, service.Name)
        : [];

    /// <summary>Moves what a class does into another one, of which it takes a fresh scope.</summary>
    /// <param name="type">The class.</param>
    /// <param name="work">The name of the other class.</param>
    /// <param name="held">What the work needs: what that keeps is lost at the end of each scope.</param>
    public static IReadOnlyList<SourceEdit> MoveWork(TypeRef type, string work, IEnumerable<Node> held)
    {
        string? state = held.Select(StateOf).FirstOrDefault(each => each is not null);
        return [.. OfClass(type, SourceEditKind.MoveWork, work).Select(edit => edit with { State = state })];
    }

    /// <summary>Lets a class take as parameters what it resolves from a scope or container.</summary>
    public static IReadOnlyList<SourceEdit> TakeResolved(Dependency dependency) => dependency.Consumer.Kind == NodeKind.Class
        ? OfClass(dependency.Consumer.Implementation, SourceEditKind.TakeResolved, "", dependency.Parameter.Name)
        : [];

    /// <summary>Starts a scope for the call that fails, if it needs no value.</summary>
    public static IReadOnlyList<SourceEdit> StartScope(string code) =>
        RegistrationText.IsToBeFilledIn(code) ? [] : [new SourceEdit(SourceEditKind.StartScope, "")];

    public static IReadOnlyList<SourceEdit> AwaitBefore(string call) => [new SourceEdit(SourceEditKind.AwaitBefore, call)];

    /// <summary>Supplies a value as another type, in the call that starts a scope.</summary>
    public static IReadOnlyList<SourceEdit> SupplyAs(Level level, TypeRef supplied, Node declaration) =>
        level == Level.Singleton || declaration.Mark is not null
            ? []
            : [new SourceEdit(SourceEditKind.SupplyAs, declaration.Services[0].Name) { Type = supplied.DefinitionName }];

    public static IReadOnlyList<SourceEdit> Nest(Level inner, Level outer) =>
        [new SourceEdit(SourceEditKind.NestLevel, inner.Name) { Parameter = outer.Name }];

    /// <summary>The edits of a fix of several places: all of them, or none if one is unknown.</summary>
    public static IReadOnlyList<SourceEdit> OfAll(IEnumerable<IReadOnlyList<SourceEdit>> parts)
    {
        List<SourceEdit> all = [];
        foreach (IReadOnlyList<SourceEdit> part in parts)
        {
            if (part.Count == 0)
            {
                return [];
            }

            all.AddRange(part);
        }

        return all;
    }

    private static IReadOnlyList<SourceEdit> At(Node node, SourceEditKind kind, string text, string? parameter = null) =>
        node is { Registration.Place: { IsKnown: true } place, Options.IsEntryPoint: false } && !RegistrationText.IsToBeFilledIn(text)
            ? [new SourceEdit(kind, text)
            {
                File = place.File, Line = place.Line, Type = node.Registration.Implementation.DefinitionName, Parameter = parameter,
            }]
            : [];

    private static IReadOnlyList<SourceEdit> OfClass(TypeRef type, SourceEditKind kind, string text, string? parameter = null) =>
        [new SourceEdit(kind, text) { Type = type.DefinitionName, Parameter = parameter }];
}
