using Junctivor.Graph;
using Junctivor.Registering;

namespace Junctivor;

/// <summary>
/// Registers an existing object: see <see cref="Singleton.Value{TService}"/>. The container does not dispose it.
/// Immutable, and so safe for use by several threads.
/// </summary>
public sealed class ValueRegistration : ServiceRegistration<ValueRegistration>
{
    internal ValueRegistration(RegistrationData data)
        : base(data)
    {
    }

    /// <summary>Disposes the object with the container.</summary>
    /// <returns>A copy whose object the container owns.</returns>
    public ValueRegistration DisposeAtEnd() => With(RegistrationFlags.DisposeAtEnd);

    private protected override ValueRegistration With(RegistrationData data) => new(data);
}
