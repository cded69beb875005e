using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>What is close to a service that is not registered, the likeliest first: most often what was meant.</summary>
internal sealed class NearMisses
{
    private const int MostShown = 3;
    private const int MostUnregistered = 2;

    /// <summary>A mark that differs by so many letters was mistyped; then the other marks are not meant.</summary>
    private const int FarthestSlip = 2;

    private readonly ServiceGraph _graph;
    private readonly ServiceId _service;
    private readonly Consumers _consumers;

    private NearMisses(ServiceGraph graph, ServiceId service, Consumers consumers)
    {
        _graph = graph;
        _service = service;
        _consumers = consumers;
    }

    private TypeRef Type => _service.Type;

    /// <summary>At most three.</summary>
    /// <param name="graph">The graph.</param>
    /// <param name="service">What is missing.</param>
    /// <param name="consumers">Who requires it.</param>
    public static IReadOnlyList<NearMiss> Of(ServiceGraph graph, ServiceId service, Consumers consumers)
    {
        NearMisses near = new(graph, service, consumers);
        IReadOnlyList<NearMiss> registered = [.. near.UnderAnotherMark()
            .Concat(near.NotRegisteredFor())
            .Concat(near.OnlyForOthers())
            .Concat(near.Disabled())
            .Take(MostShown)];
        return
        [
            .. registered
                .Concat(registered.Count > 0 ? [] : near.InModules())
                .Concat(registered.Count > 0 ? [] : near.NotRegistered().Take(MostUnregistered))
                .Concat(near.InAnotherCollection())
                .Concat(near.OfTheSameName())
                .Concat(registered.Count > 0 ? [] : near.OfNearlyTheSameName())
                .Concat(near.OtherClosings())
                .Concat(near.WithinSomethingElse())
                .Take(MostShown),
        ];
    }

    private IEnumerable<NearMiss> UnderAnotherMark()
    {
        IReadOnlyList<Node> others = [.. _graph.Index.Serving(Type).Where(node => node.Mark != _service.Mark)];
        IReadOnlyList<Node> mistyped = [.. others.Where(node => Distance(node.Mark, _service.Mark) <= FarthestSlip)];
        return UnderAnotherMark(mistyped.Count > 0 ? mistyped : others, mistyped.Count == 1);
    }

    /// <param name="others">What is registered under other marks.</param>
    /// <param name="isMistyped">Whether the mark was most likely meant to be the one of that.</param>
    private IEnumerable<NearMiss> UnderAnotherMark(IReadOnlyList<Node> others, bool isMistyped) => others
        .OrderBy(node => Distance(node.Mark, _service.Mark))
        .Select(node => node.Mark is null
            ? new NearMiss(
                $"{Type.Name} is registered{At(node)} without a mark.",
                new Fix($"mark the registration{At(node)}, or remove the mark from the parameter",
                    RegistrationText.OptionsOf(_service.Mark),
                    Edits.Append(node, RegistrationText.OptionsOf(_service.Mark)))
                {
                    ByHandBecause = ByHand.BothWays,
                })
            : new NearMiss(
                $"{Type.Name} is registered{At(node)}, marked {node.Mark}.",
                Certain(
                    _consumers.Beside is { IsDecorator: true } decorator && _consumers.Dependencies.Count == 0
                        ? WithMark(decorator, node.Mark)
                        : Taking("use that mark", node.Mark, Type.Name),
                    isMistyped)));

    /// <summary>Another mark than one that was mistyped may well be wrong: then nothing is written.</summary>
    private static Fix Certain(Fix fix, bool isMistyped) => isMistyped ? fix : fix with { Edits = [] };

    /// <summary>A decorator is told by its own mark what it decorates.</summary>
    private static Fix WithMark(Node decorator, Mark mark)
    {
        string option = RegistrationText.OptionsOf(mark);
        return decorator.Mark is null
            ? new Fix("add the mark to the decorator", option, Edits.Append(decorator, option))
            : new Fix(
                "change the mark of the decorator to",
                option,
                Edits.OfAll([Edits.RemoveOption(decorator, OptionNames.Marked), Edits.Append(decorator, option)]));
    }

    private IEnumerable<NearMiss> NotRegisteredFor()
    {
        if (Type.DefinitionName == WellKnownTypes.Anything || Type.IsValueType || Type.DefinitionName == WellKnownTypes.Text)
        {
            return [];
        }

        IEnumerable<(Node Node, TypeRef Service)> able = _graph.Index.AbleToServe(Type).Select(node => (node, Type))
            .Concat(Type.Definition is { } definition
                ? _graph.Index.AbleToServe(definition).Where(node => node.IsOpen).Select(node => (node, definition)) : []);
        IReadOnlyList<(Node Node, TypeRef Service)> meant =
            [.. able.Where(each => each.Node.Kind != NodeKind.Alias && !each.Node.Services.Contains(each.Service))];
        return meant
            .Select(each => new NearMiss(
                each.Node.Implementation.IsClosingOf(Type)
                    ? $"{each.Node.Implementation.Name} is registered{At(each.Node)}, but only as {KnownAs(each.Node)}."
                    : $"{each.Node.Implementation.Name} {Implements(Type)} it, but is registered{At(each.Node)} only as "
                        + $"{KnownAs(each.Node)}.",
                new Fix(
                    $"add to the registration of {each.Node.Name}{At(each.Node)}",
                    RegistrationText.Also(each.Service),
                    Edits.Append(each.Node, RegistrationText.Also(each.Service)))
                {
                    ByHandBecause = meant.Count > 1 ? ByHand.Several(meant.Select(other => other.Node.Name).Distinct()) : null,
                },
                each.Node));
    }

    /// <summary>A module of the program registers it, and is not part of the wiring.</summary>
    private IEnumerable<NearMiss> InModules()
    {
        IReadOnlyList<string> modules = [.. ModuleSearch.Registering(_graph, _service)];
        return modules.Select(module => new NearMiss(
            $"{module} registers it, but is not part of this wiring.",
            new Fix("spread it in the wiring", $".. {module}", _consumers.Register($".. {module}"))
            {
                ByHandBecause = modules.Count > 1 ? ByHand.Several(modules) : null,
            }));
    }

    private IEnumerable<NearMiss> OnlyForOthers() => _graph.Index.Serving(Type)
        .Where(node => node.Options.OnlyFor is not null && node.Mark == _service.Mark)
        .Select(node => new NearMiss(
            $"{Type.Name} is registered{At(node)} only for {node.Options.OnlyFor!.Name}.",
            new Fix($"remove .OnlyFor{At(node)}, if others may use it", null, Edits.RemoveOption(node, OptionNames.OnlyFor))
            {
                ByHandBecause = ByHand.WhetherMeant,
            }));

    private IEnumerable<NearMiss> Disabled() => _graph.Disabled
        .Where(node => node.Services.Contains(Type) && node.Mark == _service.Mark)
        .Select(node => new NearMiss(
            $"{node.Name} is registered for it{At(node)}, but .Enabled leaves it out.",
            new Fix($"remove .Enabled{At(node)}, if it is not meant to be left out", null, Edits.RemoveOption(node, OptionNames.Enabled))
            {
                ByHandBecause = ByHand.WhetherMeant,
            }));

    private IEnumerable<NearMiss> NotRegistered()
    {
        if (Type.IsValueType || Type.DefinitionName == WellKnownTypes.Anything || Type.DefinitionName == WellKnownTypes.Text)
        {
            return [];
        }

        IReadOnlyList<TypeRef> able = [.. _graph.Implementing(Type)
            .Where(type => !type.Equals(Type))
            .OrderBy(type => type.SimpleName.Contains('.'))
            .ThenBy(type => EditDistance.Between(type.OwnName, Type.OwnName))];
        string? several = able.Count > 1 ? ByHand.Several(able.Select(type => type.Name)) : null;
        return able.Select(type => type.IsSelfRegistered ? NotSpread(type) : new NearMiss(
            $"{type.Name} {Implements(Type)} it, but is not registered.{AndNeeds(type)}",
            MissingRegistrations.Fix("register it", _graph, _service, type, LevelFor(type), _consumers) is var fix && several is not null
                ? fix with { ByHandBecause = several }
                : fix));
    }

    private NearMiss NotSpread(TypeRef type)
    {
        string spread = $".. SelfRegistered.In<{type.Name}>()";
        return new NearMiss(
            $"{type.Name} {Implements(Type)} it and has [SelfRegistered], but the wiring does not spread the classes of its assembly.",
            new Fix("spread them in the wiring", spread, type.IsDefinition ? [] : _consumers.Register(spread))
            {
                ByHandBecause = ByHand.WholeAssembly,
            });
    }

    /// <summary>The container creates some kinds of lists, and others are required.</summary>
    private IEnumerable<NearMiss> InAnotherCollection()
    {
        if (CollectionForms.Offered(Type) is not { } form || _graph.Index.Serving(form.Element).Count == 0)
        {
            return [];
        }

        Node first = _graph.Index.Serving(form.Element)[0];
        return [new NearMiss(
            $"{form.Element.Name} is registered{At(first)}; {form.Reason}.",
            Taking("take", _service.Mark, form.Written))];
    }

    private IEnumerable<NearMiss> OfTheSameName() =>
        from node in _graph.Index.Named(Type.OwnName)
        from registered in node.Services
        where registered.OwnName == Type.OwnName && registered.DefinitionName != Type.DefinitionName
        select new NearMiss(
            $"{registered.QualifiedName} is registered{At(node)}: it has the same short name, but is not {Type.QualifiedName}.",
            Doubtful(Taking(
                "check the using directives; if the registered type is meant, write", _service.Mark, registered.QualifiedName)));

    private IEnumerable<NearMiss> OfNearlyTheSameName() => _graph.Index.NearlyNamed(Type.OwnName).Select(node => new NearMiss(
        $"{Served(node)} is registered{At(node)}, and has a similar name.",
        Doubtful(Taking("if you meant this one, change the parameter to", node.Mark, node.Services[0].Name))));

    private static Fix Doubtful(Fix fix) => fix with { ByHandBecause = ByHand.WhetherMeant };

    private IEnumerable<NearMiss> OtherClosings() =>
        Type.Arguments.Count == 0 || Type.DefinitionName.StartsWith("System.", StringComparison.Ordinal)
        ? []
        : _graph.Index.ServingClosingOf(Type.DefinitionName)
            .Where(node => !node.IsOpen && !node.Services.Contains(Type))
            .Select(node => new NearMiss($"{Served(node)} is registered{At(node)}: the same generic type with other arguments.", null));

    /// <summary>A list, a task or a function of it was registered, and that is another service.</summary>
    private IEnumerable<NearMiss> WithinSomethingElse() => _graph.Index.ServingAround(Type)
        .Select(node =>
            (Node: node,
                Service: node.Services.First(
                    service => service.Arguments.Count > 0 && service.Arguments[service.Arguments.Count - 1].Equals(Type))))
        .Where(each => each.Service.DefinitionName == "[]" || each.Service.DefinitionName.StartsWith("System.", StringComparison.Ordinal))
        .Select(each => new NearMiss(
            $"{each.Service.Name} is registered{At(each.Node)}, which is not the same service as {Type.Name}.",
            Doubtful(Taking("if you meant this one, change the parameter to", each.Node.Mark, each.Service.Name))));

    private string AndNeeds(TypeRef type)
    {
        IReadOnlyList<string> missing = type.IsDefinition
            ? []
            : [.. _graph.MissingFor(type).Select(service => service.ToString()).Distinct()];
        return missing.Count == 0
            ? ""
            : $" Its {(missing.Count == 1 ? "dependency" : "dependencies")} {string.Join(" and ", missing)} "
                + $"{(missing.Count == 1 ? "is" : "are")} not registered either.";
    }

    private Fix Taking(string advice, Mark? mark, string type)
    {
        string parameter = RegistrationText.Parameter(mark, type, _consumers.Parameter);
        return new Fix(advice, parameter, _consumers.Take(parameter));
    }

    /// <summary>What the consumer can hold; and what ends belongs to a scope, where nothing requires longer.</summary>
    private Level LevelFor(TypeRef type) =>
        _consumers.Level.IsTransient && type.IsDisposable ? Level.Scoped : _consumers.Level;

    private string At(Node node) => SourcePlaceText.At(node.Place, _graph.SharedFolder);

    private static string KnownAs(Node node) =>
        node.Services.Length == 1 && node.Services[0].Equals(node.Implementation) ? "itself" : Served(node);

    private static string Served(Node node) => string.Join(", ", node.Services.Select(service => service.Name));

    private static string Implements(TypeRef service) => service.IsInterface ? "implements" : "derives from";

    private static int Distance(Mark? one, Mark? other) =>
        (one?.Text, other?.Text) is ({ } text, { } wanted) ? EditDistance.Between(text, wanted) : int.MaxValue;
}
