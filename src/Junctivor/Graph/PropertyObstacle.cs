namespace Junctivor.Graph;

/// <summary>Why a property that is to be injected cannot be set: the end of a sentence that starts with its name.</summary>
internal static class PropertyObstacle
{
    public const string Indexer = "is an indexer";
    public const string Static = "is static";
    public const string NotPublic = "is not public";
    public const string NoSetter = "has no public setter";

    /// <summary>What removes the obstacle; null if it is not one of these.</summary>
    public static string? CureOf(string obstacle, string property) => obstacle switch
    {
        Indexer => "remove [Inject] from the indexer",
        Static => $"make {property} an instance property, or remove [Inject] from it",
        NotPublic => $"make {property} public, or take it as a parameter of the constructor",
        NoSetter => $"give {property} a public setter, or take it as a parameter of the constructor",
        _ => null,
    };
}
