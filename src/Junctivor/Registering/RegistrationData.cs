using Junctivor.Graph;

namespace Junctivor.Registering;

/// <summary>What one registration says; <see cref="Registration"/> is the face that users see of it.</summary>
internal sealed record RegistrationData
{
    public required Type Service { get; init; }

    public required InstanceSource Source { get; init; }

    public required Level Level { get; init; }

    public required SourcePlace Place { get; init; }

    /// <summary>What <c>Also</c> added.</summary>
    public IReadOnlyList<Type> AlsoServes { get; init; } = [];

    /// <summary>A string or a type; null for none.</summary>
    public object? Mark { get; init; }

    /// <summary>The mark of what an alias stands for.</summary>
    public object? TargetMark { get; init; }

    public bool IsDecorator { get; init; }

    public bool IsEnabled { get; init; } = true;

    public RegistrationOptions Options { get; init; } = RegistrationOptions.None;

    public Type? OnlyFor { get; init; }

    /// <summary>The constants for constructor parameters.</summary>
    public IReadOnlyList<PassedValue> Passed { get; init; } = [];

    /// <summary>What runs once it is created, before work begins.</summary>
    public Func<object, CancellationToken, Task>? WarmUp { get; init; }

    /// <summary>What runs after work, before it ends.</summary>
    public Func<object, CancellationToken, Task>? WindDown { get; init; }

    /// <summary>What runs in the background, from after the warm-up to the wind-down.</summary>
    public BackgroundWork? Background { get; init; }

    /// <summary>Whether something runs before, during or after the work of the container.</summary>
    public bool IsWarmed => WarmUp is not null || WindDown is not null || Background is not null;

    /// <summary>The service types that were named as type arguments where the entry was written.</summary>
    public IReadOnlyList<TypeToken> Tokens { get; init; } = [];

    /// <summary>The plug-in that it came with, which must stay loaded as long as a container uses it.</summary>
    public PluginContext? Plugin { get; init; }

    /// <summary>The same with one more constant for a constructor parameter.</summary>
    public RegistrationData Pass(PassedValue value) => this with { Passed = [.. Passed, value] };

    public bool Equals(RegistrationData? other) => ReferenceEquals(this, other);

    public override int GetHashCode() => System.Runtime.CompilerServices.RuntimeHelpers.GetHashCode(this);
}
