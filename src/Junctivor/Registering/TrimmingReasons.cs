namespace Junctivor.Registering;

/// <summary>Why some entries do not go with ahead-of-time code or with trimming.</summary>
internal static class TrimmingReasons
{
    public const string RunTimeType =
        "In a natively compiled program, an open generic class can be closed over classes only, and Lazy<T>, lists and their like exist for "
            + "a structure only where a registration names it as a type argument. Register the closed types that have structures in them: "
            + "Singleton.Of<IArchive<int>, SqliteArchive<int>>().";

    public const string Scanning =
        "Classes that are found only by scanning may be trimmed. Register them in a wiring instead.";

    public const string Plugins =
        "A trimmed program may lack what a plug-in needs, and a natively compiled one cannot load any. Reference the project of the plug-in, "
            + "and spread its wiring instead.";
}
