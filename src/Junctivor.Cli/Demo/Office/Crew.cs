namespace Junctivor.Cli.Demo.Office;

internal sealed record Crew(string Watch);
