using Junctivor.Graph;
using Junctivor.Registering;

namespace Junctivor;

/// <summary>
/// Decorates all registrations of a service: see <see cref="Decorator"/>. Immutable, and so safe for use by several threads.
/// </summary>
public sealed class DecoratorRegistration : MarkableRegistration<DecoratorRegistration>
{
    internal DecoratorRegistration(RegistrationData data)
        : base(data)
    {
    }

    /// <summary>Passes a constant to the one constructor parameter of exactly this type; JV106 if there is none, or several.</summary>
    /// <typeparam name="TValue">The type of the parameter.</typeparam>
    /// <param name="value">The constant.</param>
    /// <returns>A copy that passes it.</returns>
    public DecoratorRegistration Passing<TValue>(TValue value) => With(Data.Pass(new PassedValue(null, typeof(TValue), value)));

    /// <summary>Passes a constant to the constructor parameter of this name; JV106 if there is none, or its type differs.</summary>
    /// <typeparam name="TValue">The type of the constant.</typeparam>
    /// <param name="parameter">The name of the parameter.</param>
    /// <param name="value">The constant.</param>
    /// <returns>A copy that passes it.</returns>
    /// <exception cref="ArgumentException"><paramref name="parameter"/> is null or empty.</exception>
    public DecoratorRegistration Passing<TValue>(string parameter, TValue value)
    {
        ArgumentException.ThrowIfNullOrEmpty(parameter);
        return With(Data.Pass(new PassedValue(parameter, typeof(TValue), value)));
    }

    /// <summary>Does not dispose created instances; the consumer does.</summary>
    /// <returns>A copy whose instances the container does not own.</returns>
    public DecoratorRegistration LeaveUndisposed() => With(RegistrationFlags.LeaveUndisposed);

    private protected override DecoratorRegistration With(RegistrationData data) => new(data);
}
