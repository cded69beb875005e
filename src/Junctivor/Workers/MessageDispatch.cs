namespace Junctivor.Workers;

/// <summary>Asks a scope for what receives one type of message, and gives it the message.</summary>
internal abstract class MessageDispatch
{
    public abstract Task HandleAsync(Scope scope, object message, CancellationToken cancellationToken);
}
