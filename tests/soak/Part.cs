namespace Junctivor.Soak;

/// <summary>One way to look for mistakes.</summary>
/// <param name="Name">What it is called by.</param>
/// <param name="Share">Its share of the time.</param>
/// <param name="Run">Runs it for about that long, or one sample of a seed.</param>
internal sealed record Part(string Name, double Share, Func<TimeSpan, string?, Outcome> Run);
