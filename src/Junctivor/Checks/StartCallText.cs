using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>Writes the calls that build a container or start a scope, for the fixes.</summary>
internal static class StartCallText
{
    /// <summary>The call that hands a value over where it is declared.</summary>
    public static string HandingOver(Node promise) => promise.Level switch
    {
        { IsUsersOwn: true } level => $"await using Scope {RegistrationText.Variable(level)} = container.StartScope({RegistrationText.Start(level)}, {RegistrationText.Supply(promise)});",
        var level when level == Level.Singleton => $"await using Container container = wiring.Build({RegistrationText.Supply(promise)});",
        _ => StartScope([RegistrationText.Supply(promise)]),
    };

    /// <summary>The call that starts a scope in which a service can be had, with the values that it reaches.</summary>
    public static string ForScopeOf(ServiceGraph graph, Node service) => StartScope(
    [
        .. ServiceGraph.ReachableFrom([service])
            .Where(node => node.Kind == NodeKind.Incoming && node.Level == Level.Scoped)
            .OrderBy(node => node.Order)
            .Select(RegistrationText.Supply),
    ]);

    private static string StartScope(IReadOnlyList<string> values) => $"await using Scope scope = container.StartScope({string.Join(", ", values)});";
}
