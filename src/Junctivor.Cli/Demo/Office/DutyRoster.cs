namespace Junctivor.Cli.Demo.Office;

internal sealed record DutyRoster(Crew Crew, IClock Clock);
