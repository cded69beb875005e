using System.Threading.Channels;
using Junctivor.Runtime;
using Junctivor.Workers;

namespace Junctivor;

/// <summary>
/// Reads messages from a channel, and gives each to what receives its type (<see cref="IMessageHandler{TMessage}"/>), in a scope of its own.
/// Where the wiring promises a message type with <c>Scoped.Incoming</c>, everything in the scope can take the message. A receiver that
/// throws does not stop the pump. It runs once: with <see cref="RunAsync"/>, or from <see cref="StartAsync"/> to
/// <see cref="StopAsync"/>; the rest is up to whoever fills the channel.
/// </summary>
/// <typeparam name="TMessage">What all messages are.</typeparam>
/// <example>
/// <code>
/// Channel&lt;IHarbourMessage&gt; messages = Channel.CreateBounded&lt;IHarbourMessage&gt;(100);
/// MessagePump&lt;IHarbourMessage&gt; pump = new(container, messages.Reader, (message, failure) => LogAsync(message, failure)) { MaxConcurrency = 4 };
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

    /// <summary>Makes a pump; it does nothing before it runs.</summary>
    /// <param name="container">Where scopes are started.</param>
    /// <param name="messages">Where messages come from.</param>
    /// <param name="onFailure">Told of each message that could not be received, and why. If it throws itself, the pump ends, as nobody could be
    /// told of further failures: what is being received is completed, and the rest stays in the channel, for another pump.</param>
    /// <exception cref="ArgumentNullException">Something is null.</exception>
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

    /// <summary>How many messages are received at once, at the most; one by default, and so in the order of the channel.</summary>
    /// <exception cref="ArgumentOutOfRangeException">It is less than one.</exception>
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
    /// Further values for the scope of a message, which the wiring promises with <c>Scoped.Incoming</c>: such as who sent it. None by default.
    /// What this throws is told as a failure of the message.
    /// </summary>
    public Func<TMessage, Incoming[]> Incoming { get; init; } = _ => [];

    /// <summary>Completes when the pump has ended, whoever began it, and carries what ended it: watch it where the pump runs in the background.
    /// Where it is not begun, it does not complete.</summary>
    public Task Completion => _run.Completion;

    /// <summary>Pumps until the channel is completed and empty, or until it is told to end.</summary>
    /// <param name="stop">Cancelled to end: what is in the channel is still received, and nothing is waited for any more.</param>
    /// <param name="abort">Cancelled to end at once: handed to the receivers, and no further message is taken.</param>
    /// <returns>What completes when the last scope has ended. It carries what <c>onFailure</c> threw, and with what the channel was
    /// completed.</returns>
    /// <exception cref="InvalidOperationException">It has run before.</exception>
    public Task RunAsync(CancellationToken stop = default, CancellationToken abort = default) => _run.RunAsync(stop, abort);

    /// <summary>Begins to pump in the background, until <see cref="StopAsync"/>: made for a <c>WarmUp</c>.</summary>
    /// <returns>What is completed at once.</returns>
    /// <exception cref="InvalidOperationException">It has run before.</exception>
    public Task StartAsync()
    {
        _run.Start();
        return Task.CompletedTask;
    }

    /// <summary>Ends what <see cref="StartAsync"/> began: what is in the channel is still received. Made for a <c>WindDown</c>; does nothing
    /// where nothing was begun, or it has been ended.</summary>
    /// <param name="abort">Cancelled to end at once: handed to the receivers, and no further message is taken.</param>
    /// <returns>What completes when the last scope has ended. It carries what <see cref="RunAsync"/> would.</returns>
    public Task StopAsync(CancellationToken abort = default) => _run.StopAsync(abort);

    private async Task PumpAsync(CancellationToken stop, CancellationToken abort)
    {
        using CancellationTokenSource ending = CancellationTokenSource.CreateLinkedTokenSource(stop, abort);
        await Task.WhenAll(Enumerable.Range(0, MaxConcurrency).Select(_ => Task.Run(() => PumpAsync(ending, abort), CancellationToken.None))).ConfigureAwait(false);
    }

    private async Task PumpAsync(CancellationTokenSource ending, CancellationToken abort)
    {
        try
        {
            bool isThereMore;
            do
            {
                // Told to end, it still receives what is there: that is not lost.
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
            Incoming[] incoming = [.. _receivers.IncomingFor(_container, message, typeof(TMessage)), .. Incoming(message) ?? []];
            Scope scope = await _container.StartScopeAsync(abort, incoming).ConfigureAwait(false);
            await ScopedWork.RunAsync(scope, () => _receivers.For(message.GetType()).ReceiveAsync(scope, message, abort)).ConfigureAwait(false);
        }
        catch (OperationCanceledException) when (abort.IsCancellationRequested)
        {
            // It was told to end at once.
        }
#pragma warning disable CA1031 // Whatever a receiver throws belongs to its message, and not to the pump.
        catch (Exception failure)
#pragma warning restore CA1031
        {
            await _onFailure(message, failure).ConfigureAwait(false);
        }
    }
}
