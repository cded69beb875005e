namespace Junctivor;

/// <summary>
/// What a <see cref="MessagePump{TMessage}"/> gives a message of this type to. Registered as every other service, most often scoped:
/// <c>Scoped.Of&lt;IMessageHandler&lt;Arrived&gt;, BerthGiver&gt;()</c>. One class may receive several types.
/// </summary>
/// <typeparam name="TMessage">The type of the message, exactly as it is sent.</typeparam>
public interface IMessageHandler<in TMessage>
    where TMessage : class
{
    /// <summary>Does what the message asks for.</summary>
    /// <param name="message">The message.</param>
    /// <param name="cancellationToken">Is cancelled where the pump is to end at once.</param>
    /// <returns>What completes when it is done.</returns>
    Task HandleAsync(TMessage message, CancellationToken cancellationToken);
}
