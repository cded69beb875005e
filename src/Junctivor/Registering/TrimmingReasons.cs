namespace Junctivor.Registering;

/// <summary>Why some entries do not go with ahead-of-time code or with trimming.</summary>
internal static class TrimmingReasons
{
    public const string RunTimeType =
        "Wrappers such as Lazy<T> of a type known only at run time are created at run time. Pass the type as a type argument instead.";

    public const string Scanning =
        "Classes that are found only by scanning may be trimmed. Register them in a wiring instead.";
}
