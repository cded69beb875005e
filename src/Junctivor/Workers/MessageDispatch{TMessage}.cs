namespace Junctivor.Workers;

/// <inheritdoc/>
internal sealed class MessageDispatch<TMessage> : MessageDispatch
    where TMessage : class
{
    public override Task HandleAsync(Scope scope, object message, CancellationToken cancellationToken) =>
        scope.Resolve<IMessageHandler<TMessage>>().HandleAsync((TMessage)message, cancellationToken);
}
