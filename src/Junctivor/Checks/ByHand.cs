using Junctivor.Graph;

namespace Junctivor.Checks;

/// <summary>Why a fix is left to be made by hand: what it decides nobody but the developer knows.</summary>
internal static class ByHand
{
    public const string ToBeFilledIn = "a part of it is to be filled in";

    public const string NotMechanical = "it cannot be made mechanically";

    public const string ChangesBehavior = "it changes what the program does";

    public const string WhichIsMeant = "only you know which one is meant";

    public const string WhetherMeant = "only you know whether that is meant";

    public const string WhetherMissing = "only you know whether a registration is missing";

    public const string BothWays = "the registration can be changed as well as the parameter";

    public const string SuppliedAtBuild = "the value must also be supplied when the container is built";

    public const string AwaitedThen = "what it creates must then be awaited, by WarmUpAsync or StartScopeAsync";

    public const string EarlierThen = "it would then be created together with its consumer";

    public const string WholeAssembly = "it registers every class of the assembly that registers itself";

    /// <summary>That several could be registered.</summary>
    public static string Several(IEnumerable<string> names) => $"{string.Join(" and ", names)} could be registered";

    /// <summary>That the lifetime of a class matters; null if it does not: the class keeps nothing of its own.</summary>
    public static string? LifetimeOf(TypeRef created) =>
        created.State.Count > 0 ? $"{created.Name} keeps {created.State[0]}, so its lifetime is for you to choose"
        : created.IsDisposable ? $"{created.Name} is disposable, so its lifetime is for you to choose"
        : null;

    /// <summary>That an instance would lose what it keeps.</summary>
    public static string Anew(TypeRef created) => created.State.Count > 0
        ? $"{created.Name} keeps {created.State[0]}, which would start anew with each use"
        : $"each use would get another {created.Name}";
}
