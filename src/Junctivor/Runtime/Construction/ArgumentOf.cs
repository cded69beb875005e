namespace Junctivor.Runtime;

/// <summary>For what something is created: an argument of a plan; by default, for whoever asked.</summary>
internal readonly record struct ArgumentOf(Plan? Plan, int Number)
{
    /// <summary>The name of the parameter; null if user code asked. Read only for messages.</summary>
    public string? Name => Plan?.NameOf(Number);
}
