namespace Junctivor.Tests.Properties;

/// <summary>Shows what it was made from.</summary>
internal interface IShown
{
    IEnumerable<object?> Shown { get; }
}
