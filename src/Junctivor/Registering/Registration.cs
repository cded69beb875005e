using Junctivor.Reading;
using Junctivor.Registering;

namespace Junctivor;

/// <summary>
/// One entry of a <see cref="Wiring"/>: what it serves, what makes it and how long it lives.
/// Immutable, and so safe for use by several threads; the same object may stand in several wirings.
/// </summary>
public abstract class Registration
{
    private protected Registration(Entry entry) => Entry = entry;

    /// <summary>The service that the entry was written for; <c>Also</c> adds others.</summary>
    public Type Service => Entry.Service;

    /// <summary>The source file in which the entry was written, as the compiler saw it.</summary>
    public string File => Entry.Place.File;

    /// <summary>The line in <see cref="File"/>, counted from 1.</summary>
    public int Line => Entry.Place.Line;

    internal Entry Entry { get; }

    /// <summary>What the entry says, for people.</summary>
    /// <returns>The lifetime, the class and the service, such as <c>singleton AlmanacTideTable for ITideTable</c>.</returns>
    public override string ToString()
    {
        string services = string.Join(", ", Entry.AlsoServes.Prepend(Service).Select(TypeNames.Short));
        string made = TypeNames.Short(Entry.Making.Made);
        string kind = Entry.IsDecorator ? "decorator" : Entry.Making is Making.OfAlias ? "alias" : Entry.Level.Name;
        string mark = Entry.Mark switch
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
