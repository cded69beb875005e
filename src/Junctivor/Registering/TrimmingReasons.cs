namespace Junctivor.Registering;

/// <summary>Why some entries do not go with ahead-of-time code or with trimming.</summary>
internal static class TrimmingReasons
{
    public const string RunTimeType =
        "Wrappers such as Lazy<T> of a type known only at run time are made at run time. Name the type as a type argument instead.";

    public const string Scanning =
        "Classes that only a scan finds may be trimmed away. Register them in a wiring instead.";
}
