using System.Diagnostics;

namespace Junctivor.Telemetry;

/// <summary>
/// The activities. None becomes the current one by being started here: a scope may start and end in different flows of control,
/// and what it left current in one of them would be wrong there.
/// </summary>
internal static class Traces
{
    /// <returns>The activity; null if nobody wants one.</returns>
    public static Activity? StartScope(Instruments instruments, string level)
    {
        if (!instruments.Activities.HasListeners())
        {
            return null;
        }

        Activity? current = Activity.Current;
        Activity? activity = instruments.Activities.StartActivity($"scope {level}");
        activity?.SetTag(Instruments.Level, level);
        Activity.Current = current;
        return activity;
    }

    /// <summary>An activity for something that was slow, from when it began.</summary>
    /// <param name="instruments">What is measured.</param>
    /// <param name="service">What was constructed.</param>
    /// <param name="lifetime">How long it lives.</param>
    /// <param name="scope">The activity of the scope that it belongs to; null if there is none.</param>
    /// <param name="took">How long it took.</param>
    public static void AddConstruction(Instruments instruments, string service, string lifetime, Activity? scope, TimeSpan took)
    {
        if (!instruments.Activities.HasListeners())
        {
            return;
        }

        Activity? current = Activity.Current;
        ActivityContext parent = (scope ?? current)?.Context ?? default;
        Activity? activity = instruments.Activities.StartActivity(
            ActivityKind.Internal, parent, startTime: DateTimeOffset.UtcNow - took, name: $"construct {service}");
        activity?.SetTag(Instruments.Service, service).SetTag(Instruments.Lifetime, lifetime);
        Stop(activity);
        Activity.Current = current;
    }

    /// <summary>Ends one; what was current stays so, unless it was that one.</summary>
    public static void Stop(Activity? activity)
    {
        Activity? current = Activity.Current;
        activity?.Stop();
        Activity.Current = current == activity ? activity?.Parent : current;
    }
}
