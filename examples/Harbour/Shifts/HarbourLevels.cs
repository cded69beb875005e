using Junctivor;

namespace Harbour.Shifts;

/// <summary>The scope levels of the office, beside the default one of a request.</summary>
public static class HarbourLevels
{
    /// <summary>The hours that one crew is on duty: around all requests of these.</summary>
    public static readonly ScopeLevel DutyShift = new("duty shift");
}
