namespace Junctivor.Workers;

/// <inheritdoc/>
internal sealed class Receiver<TMessage> : Receiver
    where TMessage : class
{
    public override Task ReceiveAsync(Scope scope, object message, CancellationToken cancellation) =>
        scope.Resolve<IReceives<TMessage>>().ReceiveAsync((TMessage)message, cancellation);
}
