namespace Junctivor.Registering;

/// <summary>What runs in the background as long as a container is warm.</summary>
/// <param name="Run">The work; it receives the instance.</param>
/// <param name="OnFailure">What hears of an exception of the work, in the place of the container; null for nothing.</param>
internal sealed record BackgroundWork(Func<object, CancellationToken, Task> Run, Func<object, Exception, Task>? OnFailure);
