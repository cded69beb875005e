using Junctivor.Registering;

namespace Junctivor;

/// <summary>
/// One entry of a <see cref="Wiring"/>: what it serves, what makes it and how long it lives.
/// Immutable, and so safe for use by several threads; the same object may stand in several wirings.
/// </summary>
public abstract class Registration
{
    private protected Registration(RegistrationData entry) => Data = entry;

    /// <summary>The service that the entry was written for; <c>Also</c> adds others.</summary>
    public Type Service => Data.Service;

    /// <summary>The source file in which the entry was written, as the compiler saw it.</summary>
    public string File => Data.Place.File;

    /// <summary>The line in <see cref="File"/>, counted from 1.</summary>
    public int Line => Data.Place.Line;

    internal RegistrationData Data { get; }

    /// <summary>What the entry says, for people.</summary>
    /// <returns>The lifetime, the class and the service, such as <c>singleton AlmanacTideTable for ITideTable</c>.</returns>
    public override string ToString()
    {
        string services = string.Join(", ", Data.AlsoServes.Prepend(Service).Select(TypeNames.Short));
        string made = TypeNames.Short(Data.Source.InstanceType);
        string kind = Data.IsDecorator ? "decorator" : Data.Source is InstanceSource.OfAlias ? "alias" : Data.Level.Name;
        string mark = Data.Mark switch
        {
            Type type => $" marked {TypeNames.Short(type)}",
            string text => $" marked \"{text}\"",
            _ => "",
        };
        return (services == made ? $"{kind} {made}" : $"{kind} {made} for {services}") + mark;
    }

    /// <summary>The same entry, brought by a plug-in.</summary>
    internal abstract Registration From(PluginContext plugin);
}
