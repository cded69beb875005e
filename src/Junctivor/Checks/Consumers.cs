using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>Who requires a missing service.</summary>
/// <param name="Parameter">How the parameter is called that requires it.</param>
/// <param name="Level">The longest life of the consumers, which the service must last.</param>
/// <param name="Dependencies">The dependencies on it; none at run time, and none for what decorates it.</param>
/// <param name="Beside">The registration beside which it would be registered; null if there is none.</param>
internal sealed record Consumers(string Parameter, Level Level, IReadOnlyList<Dependency> Dependencies, Node? Beside)
{
    /// <summary>How a parameter is called in a fix where there is none yet.</summary>
    public const string AnyName = "wanted";

    /// <summary>User code that requires it at run time.</summary>
    public static Consumers Code { get; } = new(AnyName, Level.Transient, [], null);

    /// <summary>Those of these dependencies; an entry point is not a registration, and so the last one of the wiring stands for
    /// it.</summary>
    public static Consumers Of(ServiceGraph graph, IReadOnlyList<Dependency> dependencies, Level level) => new(
        dependencies[0].Parameter.Name, level, dependencies,
        dependencies.Select(dependency => dependency.Consumer).FirstOrDefault(consumer => !consumer.Options.IsEntryPoint)
            ?? graph.Registrations.LastOrDefault(node => node.Place.IsKnown));

    /// <summary>Lets all of them take a parameter in place of theirs.</summary>
    public IReadOnlyList<SourceEdit> Take(string parameter) =>
        Edits.OfAll(Dependencies.Select(dependency => Edits.Take(dependency, parameter)));

    /// <summary>Registers something for them.</summary>
    public IReadOnlyList<SourceEdit> Register(string registration) => Beside is null ? [] : Edits.Register(Beside, registration);
}
