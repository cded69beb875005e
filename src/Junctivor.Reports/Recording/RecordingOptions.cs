namespace Junctivor;

/// <summary>How scopes are recorded. Immutable.</summary>
public sealed record RecordingOptions
{
    /// <summary>What the drawing calls the wiring; by default the name of the program.</summary>
    /// <exception cref="ArgumentNullException">The value is null.</exception>
    public string Name
    {
        get;
        init
        {
            ArgumentNullException.ThrowIfNull(value);
            field = value;
        }
    } = System.Reflection.Assembly.GetEntryAssembly()?.GetName().Name ?? "wiring";

    /// <summary>How many scopes are kept, of which the oldest go first: 100 by default, and at most 10,000. Of each, 200 instances
    /// are kept.</summary>
    /// <exception cref="ArgumentOutOfRangeException">The value is less than 1, or more than 10,000.</exception>
    public int Scopes
    {
        get;
        init
        {
            ArgumentOutOfRangeException.ThrowIfLessThan(value, 1);
            ArgumentOutOfRangeException.ThrowIfGreaterThan(value, 10_000);
            field = value;
        }
    } = 100;
}
