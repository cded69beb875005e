namespace Junctivor;

/// <summary>
/// Handles the messages of one type that a <see cref="MessagePump{TMessage}"/> reads. Registered as any other service, usually scoped:
/// <c>Scoped.Of&lt;IMessageHandler&lt;Arrived&gt;, BerthGiver&gt;()</c>. One class may handle several types.
/// </summary>
/// <typeparam name="TMessage">The type of the message, exactly as it is sent.</typeparam>
public interface IMessageHandler<in TMessage>
    where TMessage : class
{
    /// <summary>Handles a message.</summary>
    /// <param name="message">The message.</param>
    /// <param name="cancellationToken">Canceled when the <c>StopAsync</c> of the pump is canceled.</param>
    /// <returns>A task that completes when the message is handled.</returns>
    Task HandleAsync(TMessage message, CancellationToken cancellationToken);
}
