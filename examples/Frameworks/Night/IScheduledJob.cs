namespace Frameworks.Night;

/// <summary>Work of the night.</summary>
public interface IScheduledJob
{
    Task RunAsync(CancellationToken stopping);
}
