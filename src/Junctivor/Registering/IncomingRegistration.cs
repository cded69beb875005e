using Junctivor.Graph;
using Junctivor.Registering;

namespace Junctivor;

/// <summary>
/// Declares a value that is supplied later: see <see cref="Singleton.Incoming{TService}"/> and <see cref="Scoped.Incoming{TService}"/>.
/// The caller keeps the ownership. Immutable, and so safe for use by several threads.
/// </summary>
public sealed class IncomingRegistration : ServiceRegistration<IncomingRegistration>
{
    internal IncomingRegistration(RegistrationData data)
        : base(data)
    {
    }

    /// <summary>Disposes the value with the container or scope that it is supplied to.</summary>
    /// <returns>A copy whose value the container or scope owns.</returns>
    public IncomingRegistration DisposeAtEnd() => With(RegistrationFlags.DisposeAtEnd);

    /// <summary>
    /// Allows a value of the container to be supplied after the build, with <see cref="Container.Supply(Incoming)"/>. Its consumers
    /// take a <see cref="Lazy{T}"/>; a direct dependency is JV402. On a value of a scope it is JV109.
    /// </summary>
    /// <returns>A copy for a value that is supplied after the build.</returns>
    public IncomingRegistration SuppliedLater() => With(RegistrationFlags.SuppliedLater);

    private protected override IncomingRegistration With(RegistrationData data) => new(data);
}
