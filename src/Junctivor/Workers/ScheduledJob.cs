namespace Junctivor.Workers;

/// <summary>A job of a schedule: when it runs, and what it does in the scope of a run.</summary>
internal sealed record ScheduledJob(Type Type, Recurrence Recurrence, Func<Scope, CancellationToken, Task> Work);
