namespace Junctivor.Graph;

/// <summary>The names of the options of a registration that have a value: the methods that set them. The others are
/// <see cref="RegistrationFlags"/>.</summary>
internal static class OptionNames
{
    public const string Accept = "Accept";
    public const string Also = "Also";
    public const string Background = "Background";
    public const string Enabled = "Enabled";
    public const string Marked = "Marked";
    public const string OnlyFor = "OnlyFor";
    public const string Passing = "Passing";
    public const string TargetMarked = "TargetMarked";
    public const string WarmUp = "WarmUp";
    public const string WindDown = "WindDown";

    /// <summary>All of them.</summary>
    public static IReadOnlyList<string> All { get; } =
        [Accept, Also, Background, Enabled, Marked, OnlyFor, Passing, TargetMarked, WarmUp, WindDown];

    /// <summary>The call that sets an option without a value, such as <c>.FirstChoice()</c>.</summary>
    public static string Call(RegistrationFlags flag) => $".{flag}()";
}
