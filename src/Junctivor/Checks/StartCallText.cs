using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>Writes the calls that build a container or start a scope, for the fixes.</summary>
internal static class StartCallText
{
    /// <summary>The call that supplies a declared value.</summary>
    public static string Supplying(Node declaration) => declaration.Level switch
    {
        { IsUsersOwn: true } level => ForLevel(level, "container", RegistrationText.Supply(declaration)),
        var level when level == Level.Singleton =>
            Container("Build(", RegistrationText.Supply(declaration)),
        _ => StartScope([RegistrationText.Supply(declaration)]),
    };

    /// <summary>The call that creates a container or a branch of one.</summary>
    /// <param name="call">How the call starts: <c>Build(options, </c>.</param>
    /// <param name="value">The last argument.</param>
    public static string Container(string call, string value) => call.StartsWith("Branch", StringComparison.Ordinal)
        ? $"await using Container branch = container.{call}{value});"
        : $"await using Container container = wiring.{call}{value});";

    /// <summary>The call that starts a scope in which a service can be resolved, with the values that it requires.</summary>
    public static string ForScopeOf(ServiceGraph graph, Node service) => StartScope(
    [
        .. ServiceGraph.ReachableFrom([service])
            .Where(node => node.Kind == NodeKind.Incoming && node.Level == Level.Scoped)
            .OrderBy(node => node.Order)
            .Select(RegistrationText.Supply),
    ]);

    /// <summary>The call that starts a scope of a level.</summary>
    /// <param name="level">The level.</param>
    /// <param name="outer">The variable of the container or scope that it is started from.</param>
    /// <param name="values">The values for it.</param>
    public static string ForLevel(Level level, string outer = "container", params IEnumerable<string> values) =>
        $"await using Scope {RegistrationText.Variable(level)} = "
            + $"{outer}.StartScope({string.Join(", ", values.Prepend(RegistrationText.Start(level)))});";

    /// <summary>The calls that start a scope of a level, with those of the levels around it.</summary>
    public static string ForInnerLevel(Level level) => level.Within is { } outer
        ? $"{ForInnerLevel(outer)}\n{ForLevel(level, RegistrationText.Variable(outer))}"
        : ForLevel(level);

    /// <summary>The values as arguments of a method: one that is awaited takes them as a list, because a token may follow.</summary>
    public static string Values(string method, params IReadOnlyList<string> values) =>
        method.EndsWith("Async", StringComparison.Ordinal) ? $"[{string.Join(", ", values)}]" : string.Join(", ", values);

    private static string StartScope(IReadOnlyList<string> values) =>
        $"await using Scope scope = container.StartScope({string.Join(", ", values)});";
}
