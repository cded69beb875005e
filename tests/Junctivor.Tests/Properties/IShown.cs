namespace Junctivor.Tests.Properties;

/// <summary>Shows what it was made of.</summary>
internal interface IShown
{
    IEnumerable<object?> Shown { get; }
}
