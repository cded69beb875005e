using System.Reflection;

namespace Junctivor.Model;

/// <summary>Writes the entries of a random wiring as what the library takes, and as C#.</summary>
public sealed class Registrations(IReadOnlyList<Entry> entries)
{
    private static readonly Type[] Ids = [typeof(I0), typeof(I1), typeof(I2), typeof(I3), typeof(I4)];

    public ScopeLevel Shift { get; } = new("shift");

    public static Type Part(int number) => typeof(IPart<>).MakeGenericType(Ids[number]);

    public static Type Also(int number) => typeof(IAlso<>).MakeGenericType(Ids[number]);

    /// <summary>A value for a number.</summary>
    public static object Given(int number, Journal journal) =>
        Activator.CreateInstance(typeof(Given<>).MakeGenericType(Ids[number]), journal)!;

    /// <summary>The class that an entry constructs; null if it constructs none.</summary>
    public static Type? ClassOf(Entry entry) => entry.Making switch
    {
        Making.Class => Closed(typeof(Made<,,>), entry),
        Making.Ending => Closed(typeof(MadeEnding<,,>), entry),
        Making.EndingLater => Closed(typeof(MadeEndingLater<,,>), entry),
        Making.ByMark => Closed(typeof(MadeByMark<,,>), entry),
        Making.Without => Closed(typeof(MadeWithout<,,>), entry),
        Making.Plain => Closed(typeof(Plain<,,>), entry),
        Making.Decorator =>
            (entry.IsAlso ? typeof(WrappedAlso<,>) : typeof(Wrapped<,>)).MakeGenericType(Ids[entry.Number], TypeOf(entry.One)),
        Making.PlainDecorator => typeof(PlainlyWrapped<,>).MakeGenericType(Ids[entry.Number], TypeOf(entry.One)),
        _ => null,
    };

    public Wiring ToWiring(Journal journal) =>
    [
        Singleton.Value(journal),
        Singleton.Of<Nothing>(),
        .. entries.Select(entry => ToRegistration(entry, journal)),
    ];

    /// <summary>The wiring as C#, to be pasted beside the parts of the model.</summary>
    public override string ToString() => $"""
        ScopeLevel shift = new("shift");
        Journal journal = new();
        Wiring wiring =
        [
            Singleton.Value(journal),
            Singleton.Of<Nothing>(),
        {string.Join('\n', entries.Select(entry => $"    {Write(entry)},"))}
        ];
        """;

    private static Type Closed(Type definition, Entry entry) =>
        definition.MakeGenericType(Ids[entry.Number], TypeOf(entry.One), TypeOf(entry.Two));

    private static Type TypeOf(Need need) => need.Form switch
    {
        Form.Part => Part(need.Number),
        Form.Also => Also(need.Number),
        Form.Lazy => typeof(Lazy<>).MakeGenericType(Part(need.Number)),
        Form.Func => typeof(Func<>).MakeGenericType(Part(need.Number)),
        Form.List => typeof(IReadOnlyList<>).MakeGenericType(Part(need.Number)),
        Form.Keyed => typeof(IReadOnlyDictionary<,>).MakeGenericType(typeof(string), Part(need.Number)),
        Form.Fresh => typeof(FreshScope<>).MakeGenericType(Part(need.Number)),
        _ => typeof(Nothing),
    };

    private Registration ToRegistration(Entry entry, Journal journal)
    {
        Type service = Part(entry.Number);
        return entry.Making switch
        {
            Making.Factory => Factory(entry, journal),
            Making.Value => Finish(Singleton.ValueAs(service, Given(entry.Number, journal)), entry),
            Making.Incoming => Finish(Scoped.Incoming(service), entry),
            Making.Alias => FinishService(AliasOf(entry), entry),
            Making.Decorator or Making.PlainDecorator =>
                Finish(Decorator.Of(entry.IsAlso ? Also(entry.Number) : service, ClassOf(entry)!), entry),
            _ => Finish(
                entry.Life switch
                {
                    Life.Singleton => Singleton.Of(service, ClassOf(entry)!),
                    Life.Shift => Shift.Of(service, ClassOf(entry)!),
                    Life.Scoped => Scoped.Of(service, ClassOf(entry)!),
                    _ => Transient.Of(service, ClassOf(entry)!),
                },
                entry),
        };
    }

    private static AliasRegistration AliasOf(Entry entry)
    {
        AliasRegistration alias = Alias.Of(Also(entry.Number), Part(entry.Number));
        return entry.TargetMark is null ? alias : alias.TargetMarked(entry.TargetMark);
    }

    /// <summary>Adds the options of an entry to what creates instances.</summary>
    private Registration<T> Finish<T>(Registration<T> registration, Entry entry) =>
        FinishService(entry.IsOwnedOtherwise ? registration.LeaveUndisposed() : registration, entry);

    private static DecoratorRegistration Finish(DecoratorRegistration registration, Entry entry) =>
        Mark(entry.IsOwnedOtherwise ? registration.LeaveUndisposed() : registration, entry);

    private ValueRegistration Finish(ValueRegistration registration, Entry entry) =>
        FinishService(entry.IsOwnedOtherwise ? registration.DisposeAtEnd() : registration, entry);

    private IncomingRegistration Finish(IncomingRegistration registration, Entry entry) =>
        FinishService(entry.IsOwnedOtherwise ? registration.DisposeAtEnd() : registration, entry);

    private static TSelf Mark<TSelf>(TSelf registration, Entry entry)
        where TSelf : MarkableRegistration<TSelf> => entry.Mark is null ? registration : registration.Marked(entry.Mark);

    private TSelf FinishService<TSelf>(TSelf registration, Entry entry)
        where TSelf : ServiceRegistration<TSelf>
    {
        registration = Mark(registration, entry);
        registration = entry.IsAlso && entry.Making != Making.Alias ? registration.Also(Also(entry.Number)) : registration;
        registration = entry.Ending switch
        {
            Ending.Replacing => registration.Replacing(),
            Ending.IfMissing => registration.IfMissing(),
            Ending.FirstChoice => registration.FirstChoice(),
            _ => registration,
        };
        return ConsumerOf(entry) is { } consumer ? registration.OnlyFor(consumer) : registration;
    }

    /// <summary>The class that an entry is only for; null for all.</summary>
    public Type? ConsumerOf(Entry entry) =>
        entry.OnlyFor is { } place && place < entries.Count && entries[place].IsClass ? ClassOf(entries[place]) : null;

    private Registration Factory(Entry entry, Journal journal) => (Registration)typeof(Registrations)
        .GetMethod(nameof(MadeByFactory), BindingFlags.NonPublic | BindingFlags.Instance)!
        .MakeGenericMethod(Ids[entry.Number], TypeOf(entry.One))
        .Invoke(this, [entry, journal])!;

    private Registration<IPart<TId>> MadeByFactory<TId, T1>(Entry entry, Journal journal)
        where T1 : notnull
    {
        Func<T1, IPart<TId>> make = one => new MadeEnding<TId, T1, string>(journal, one, "made");
        return Finish(
            entry.Life switch
            {
                Life.Singleton => Singleton.From(make),
                Life.Shift => Shift.From(make),
                Life.Scoped => Scoped.From(make),
                _ => Transient.From(make),
            },
            entry);
    }

    private string Write(Entry entry)
    {
        string service = Name(Part(entry.Number));
        string life = entry.Life == Life.Shift ? "shift" : $"{entry.Life}";
        string start = entry.Making switch
        {
            Making.Value => $"Singleton.Value<{service}>(new {Name(typeof(Given<>).MakeGenericType(Ids[entry.Number]))}(journal))",
            Making.Incoming => $"Scoped.Incoming<{service}>()",
            Making.Alias =>
                $"Alias.Of<{Name(Also(entry.Number))}, {service}>()"
                    + (entry.TargetMark is null ? "" : $".TargetMarked(\"{entry.TargetMark}\")"),
            Making.Decorator or Making.PlainDecorator =>
                $"Decorator.Of<{Name(entry.IsAlso ? Also(entry.Number) : Part(entry.Number))}, {Name(ClassOf(entry)!)}>()",
            Making.Factory =>
                $"{life}.From<{Name(TypeOf(entry.One))}, {service}>(one => new MadeEnding<{Ids[entry.Number].Name}, "
                    + $"{Name(TypeOf(entry.One))}, string>(journal, one, \"made\"))",
            _ => $"{life}.Of<{service}, {Name(ClassOf(entry)!)}>()",
        };
        return start
            + (entry.Mark is null ? "" : $".Marked(\"{entry.Mark}\")")
            + (entry.IsAlso && !entry.IsDecorator && entry.Making != Making.Alias ? $".Also<{Name(Also(entry.Number))}>()" : "")
            + (entry.Ending == Ending.None ? "" : $".{entry.Ending}()")
            + (ConsumerOf(entry) is { } consumer ? $".OnlyFor<{Name(consumer)}>()" : "")
            + (!entry.IsOwnedOtherwise ? "" : entry.Making is Making.Value or Making.Incoming ? ".DisposeAtEnd()" : ".LeaveUndisposed()");
    }

    private static string Name(Type type) => type == typeof(string) ? "string"
        : type.IsGenericType ? $"{type.Name[..type.Name.IndexOf('`', StringComparison.Ordinal)]}<{string.Join(", ", type.GenericTypeArguments.Select(Name))}>"
        : type.Name;
}
