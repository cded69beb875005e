using System.Diagnostics;
using Junctivor.Registering;

namespace Junctivor;

/// <summary>
/// One entry of a <see cref="Wiring"/>: the services that it provides, what creates them, and their lifetime.
/// Immutable, and so safe for use by several threads; the same object may be used in several wirings.
/// </summary>
[DebuggerDisplay("{DebuggerText,nq}")]
public abstract class Registration
{
    private protected Registration(RegistrationData data) => Data = data;

    /// <summary>The service that was registered; <c>Also</c> adds others.</summary>
    public Type Service => Data.Service;

    /// <summary>The source file of the registration, as the compiler recorded it.</summary>
    public string File => Data.Place.File;

    /// <summary>The line in <see cref="File"/>, counted from 1.</summary>
    public int Line => Data.Place.Line;

    internal RegistrationData Data { get; }

    private string DebuggerText => $"{this} ({Path.GetFileName(File)}:{Line})";

    /// <summary>The registration, for people.</summary>
    /// <returns>The lifetime, the class and the service, such as <c>singleton AlmanacTideTable for ITideTable</c>.</returns>
    public override string ToString()
    {
        string services = string.Join(", ", Data.AlsoServes.Prepend(Service).Select(TypeNames.Short));
        string created = TypeNames.Short(Data.Source.InstanceType);
        string kind = Data.IsDecorator ? "decorator" : Data.Source is InstanceSource.OfAlias ? "alias" : Data.Level.Name;
        string mark = Data.Mark switch
        {
            Type type => $" marked {TypeNames.Short(type)}",
            string text => $" marked \"{text}\"",
            _ => "",
        };
        return (services == created ? $"{kind} {created}" : $"{kind} {created} for {services}") + mark;
    }

    /// <summary>The same registration, as part of a plug-in.</summary>
    internal abstract Registration From(PluginContext plugin);
}
