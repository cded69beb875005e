using System.Collections.Concurrent;
using System.Diagnostics.CodeAnalysis;

namespace Junctivor.Workers;

/// <summary>Knows for each type of message how to receive it, and what of it the wiring declares. Safe for use by several
/// threads.</summary>
internal sealed class MessageDispatchCache
{
    private readonly ConcurrentDictionary<Type, MessageDispatch> _receivers = new();
    private readonly ConcurrentDictionary<Type, Type[]> _declared = new();

    public MessageDispatch For(Type message) => _receivers.GetOrAdd(message, Create);

    /// <summary>The message, under each type that the wiring declares: its own, and that of the pump.</summary>
    public Incoming[] IncomingFor(Container container, object message, Type pumped)
    {
        Type[] declared =
            _declared.GetOrAdd(message.GetType(), own => [.. new[] { own, pumped }.Distinct().Where(container.DeclaresIncoming)]);
        return declared.Length == 0 ? [] : [.. declared.Select(type => Incoming.ValueAs(type, message))];
    }

    [UnconditionalSuppressMessage("AOT", "IL3050", Justification = "A message is a class, and all classes share one instantiation.")]
    [UnconditionalSuppressMessage("Trimming", "IL2076", Justification = "The type parameter keeps no members.")]
    [UnconditionalSuppressMessage("Trimming", "IL2055", Justification = "The type parameter keeps no members.")]
    private static MessageDispatch Create(Type message) =>
        (MessageDispatch)Activator.CreateInstance(typeof(MessageDispatch<>).MakeGenericType(message))!;
}
