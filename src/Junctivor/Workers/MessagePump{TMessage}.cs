using System.Threading.Channels;
using Junctivor.Runtime;
using Junctivor.Workers;

namespace Junctivor;

/// <summary>
/// Reads messages from a channel, and passes each to the handler of its type (<see cref="IMessageHandler{TMessage}"/>), in its own scope.
/// If the wiring declares a message type with <c>Scoped.Incoming</c>, every service in the scope can take the message. A handler that
/// throws does not stop the pump. A pump runs once: with <see cref="RunAsync"/>, or from <see cref="StartAsync"/> to
/// <see cref="StopAsync"/>. All members are safe for use by several threads.
/// </summary>
/// <typeparam name="TMessage">The common base type of the messages.</typeparam>
/// <example>
/// <code>
/// Channel&lt;IHarbourMessage&gt; messages = Channel.CreateBounded&lt;IHarbourMessage&gt;(100);
/// MessagePump&lt;IHarbourMessage&gt; pump = new(container, messages.Reader, (message, failure) => LogAsync(message, failure))
/// {
///     MaxConcurrency = 4,
/// };
/// await pump.RunAsync(stop);
/// </code>
/// </example>
public sealed class MessagePump<TMessage>
    where TMessage : class
{
    private readonly Container _container;
    private readonly ChannelReader<TMessage> _messages;
    private readonly Func<TMessage, Exception, Task> _onFailure;
    private readonly MessageDispatchCache _receivers = new();
    private readonly SingleRun _run;
    private volatile bool _isBroken;

    /// <summary>Creates a pump. It does nothing before it is started.</summary>
    /// <param name="container">The container in which the scopes are started.</param>
    /// <param name="messages">The channel to read.</param>
    /// <param name="onFailure">Called with each message whose handling failed, and the exception. If it throws, the pump stops, because
    /// further failures could not be reported: messages that are being handled are completed, and the rest stays in the channel, for
    /// another pump.</param>
    /// <exception cref="ArgumentNullException">An argument is null.</exception>
    public MessagePump(Container container, ChannelReader<TMessage> messages, Func<TMessage, Exception, Task> onFailure)
    {
        ArgumentNullException.ThrowIfNull(container);
        ArgumentNullException.ThrowIfNull(messages);
        ArgumentNullException.ThrowIfNull(onFailure);
        _container = container;
        _messages = messages;
        _onFailure = onFailure;
        _run = new SingleRun("pump", PumpAsync);
    }

    /// <summary>The maximum number of messages that are handled at the same time. The default is 1, which keeps the order of the
    /// channel.</summary>
    /// <exception cref="ArgumentOutOfRangeException">The value is less than 1.</exception>
    public int MaxConcurrency
    {
        get;
        init
        {
            ArgumentOutOfRangeException.ThrowIfLessThan(value, 1);
            field = value;
        }
    } = 1;

    /// <summary>
    /// Returns further values for the scope of a message, which the wiring declares with <c>Scoped.Incoming</c>, such as the sender. None
    /// by default. An exception of this function is reported as a failure of the message.
    /// </summary>
    public Func<TMessage, Incoming[]> IncomingFor { get; init; } = _ => [];

    /// <summary>Completes when the pump has stopped, and fails with the exception that stopped it: watch it if the pump runs in the
    /// background. Does not complete if the pump is never started.</summary>
    public Task Completion => _run.Completion;

    /// <summary>Handles messages until the channel is completed and empty, or the token is canceled.</summary>
    /// <param name="cancellationToken">Cancel this token to stop gracefully: messages already in the channel are still handled. The pump
    /// does not wait for further ones. To abort the handlers as well, call <see cref="StopAsync"/> with a token.</param>
    /// <returns>A task that completes when the last scope is disposed. It fails with the exception of <c>onFailure</c>, or with the one
    /// that the channel was completed with.</returns>
    /// <exception cref="InvalidOperationException">It was started before.</exception>
    public Task RunAsync(CancellationToken cancellationToken = default) => _run.RunAsync(cancellationToken);

    /// <summary>Starts to handle messages in the background, until <see cref="StopAsync"/>: for a <c>WarmUp</c>.</summary>
    /// <param name="cancellationToken">If it is already canceled, nothing starts. It does not stop what has started.</param>
    /// <returns>A completed task; a canceled one if the token was canceled.</returns>
    /// <exception cref="InvalidOperationException">It was started before.</exception>
    public Task StartAsync(CancellationToken cancellationToken = default) => _run.StartAsync(cancellationToken);

    /// <summary>Stops gracefully: messages that are in the channel are still handled. For a <c>WindDown</c>. Does nothing if the pump was
    /// not started, or has stopped.</summary>
    /// <param name="cancellationToken">Canceled to stop no longer gracefully: the tokens of the handlers are canceled, and messages that
    /// are still in the channel stay there.</param>
    /// <returns>A task that completes when the last scope is disposed. It fails as that of <see cref="RunAsync"/>.</returns>
    public Task StopAsync(CancellationToken cancellationToken = default) => _run.StopAsync(cancellationToken);

    private async Task PumpAsync(CancellationToken stop, CancellationToken abort)
    {
        using CancellationTokenSource ending = CancellationTokenSource.CreateLinkedTokenSource(stop, abort);
        await Task.WhenAll(
            Enumerable.Range(0, MaxConcurrency).Select(_ => Task.Run(() => PumpAsync(ending, abort), CancellationToken.None)))
            .ConfigureAwait(false);
    }

    private async Task PumpAsync(CancellationTokenSource ending, CancellationToken abort)
    {
        try
        {
            bool isThereMore;
            do
            {
                // After the stop, the messages that are already in the channel are still received, so none is lost.
                isThereMore = await IsThereMoreAsync(ending.Token).ConfigureAwait(false);
                while (!abort.IsCancellationRequested && !_isBroken && _messages.TryRead(out TMessage? message))
                {
                    await ReceiveAsync(message, abort).ConfigureAwait(false);
                }
            }
            while (isThereMore && !ending.IsCancellationRequested);
        }
        catch
        {
            _isBroken = true;
            await ending.CancelAsync().ConfigureAwait(false);
            throw;
        }
    }

    private async Task<bool> IsThereMoreAsync(CancellationToken ending)
    {
        try
        {
            return await _messages.WaitToReadAsync(ending).ConfigureAwait(false);
        }
        catch (OperationCanceledException) when (ending.IsCancellationRequested)
        {
            return false;
        }
    }

    private async Task ReceiveAsync(TMessage message, CancellationToken abort)
    {
        try
        {
            Incoming[] incoming = [.. _receivers.IncomingFor(_container, message, typeof(TMessage)), .. IncomingFor(message) ?? []];
            Scope scope = await _container.StartScopeAsync(incoming, abort).ConfigureAwait(false);
            await ScopedWork.RunAsync(scope, () => _receivers.For(message.GetType()).HandleAsync(scope, message, abort))
                .ConfigureAwait(false);
        }
        catch (OperationCanceledException) when (abort.IsCancellationRequested)
        {
            // It was aborted.
        }
#pragma warning disable CA1031 // Whatever a receiver throws belongs to its message, and not to the pump.
        catch (Exception failure)
#pragma warning restore CA1031
        {
            await _onFailure(message, failure).ConfigureAwait(false);
        }
    }
}
