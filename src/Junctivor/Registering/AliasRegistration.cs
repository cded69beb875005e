using Junctivor.Registering;

namespace Junctivor;

/// <summary>
/// Registers another name for a registered service: see <see cref="Alias"/>. Immutable, and so safe for use by several threads.
/// </summary>
public sealed class AliasRegistration : ServiceRegistration<AliasRegistration>
{
    internal AliasRegistration(RegistrationData data)
        : base(data)
    {
    }

    /// <summary>Points the alias to the registration with this mark.</summary>
    /// <typeparam name="TMark">The mark of the target.</typeparam>
    /// <returns>A copy with a marked target.</returns>
    public AliasRegistration TargetMarked<TMark>() => With(Data with { TargetMark = typeof(TMark) });

    /// <summary>Points the alias to the registration with this mark.</summary>
    /// <param name="mark">The mark of the target. Case-sensitive.</param>
    /// <returns>A copy with a marked target.</returns>
    /// <exception cref="ArgumentException"><paramref name="mark"/> is null or empty.</exception>
    public AliasRegistration TargetMarked(string mark)
    {
        ArgumentException.ThrowIfNullOrEmpty(mark);
        return With(Data with { TargetMark = mark });
    }

    /// <summary>Points the alias to the registration with this mark.</summary>
    /// <param name="mark">The mark of the target.</param>
    /// <returns>A copy with a marked target.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="mark"/> is null.</exception>
    public AliasRegistration TargetMarked(Type mark)
    {
        ArgumentNullException.ThrowIfNull(mark);
        return With(Data with { TargetMark = mark });
    }

    private protected override AliasRegistration With(RegistrationData data) => new(data);
}
