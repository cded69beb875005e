namespace Junctivor.Registering;

/// <summary>Why some entries do not go with ahead-of-time code or with trimming.</summary>
internal static class TrimmingReasons
{
    public const string Scanning =
        "Classes that are found only by scanning may be trimmed. Register them in a wiring instead.";

    public const string Plugins =
        "A trimmed program may lack what a plug-in needs, and a natively compiled one cannot load any. Reference the project of the plug-in, "
            + "and spread its wiring instead.";
}
