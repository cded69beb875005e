using Junctivor.Checks;

namespace Junctivor.Tests.Checks;

/// <summary>Mistakes that a program runs with, and does something else than was meant.</summary>
public class WithoutEffectTests
{
    private static readonly string[] Options = ["JV208", "JV109", "JV104", "JV102", "JV507"];

    /// <summary>Wirings, and the summaries of what is reported.</summary>
    public static TheoryData<string, Wiring, string> Found => new()
    {
        {
            "two services of a class with state",
            [Singleton.Of<IReads, Store>(), Singleton.Of<IWrites, Store>()],
            "Warning JV208 Store is registered separately for IReads and for IWrites"
        },
        {
            "the class itself, with another lifetime",
            [Singleton.Of<Store>(), Scoped.Of<IReads, Store>()],
            "Warning JV208 Store is registered separately for Store and for IReads"
        },
        {
            "a class without state",
            [Singleton.Of<IReads, Reader>(), Singleton.Of<IWrites, Reader>()],
            "Note JV208 Reader is registered separately for IReads and for IWrites"
        },
        {
            "an open class",
            [Singleton.Of(typeof(IFirst<>), typeof(Both<>)), Singleton.Of(typeof(ISecond<>), typeof(Both<>))],
            "Note JV208 Both<T> is registered separately for IFirst<T> and for ISecond<T>"
        },
        {
            "only for a class that does not take it",
            [Singleton.Of<IReads, Reader>().OnlyFor<Idle>(), Singleton.Of<Idle>()],
            "Warning JV109 Reader: OnlyFor names Idle, which does not take IReads"
        },
        {
            "class and service swapped",
            [Singleton.Of(typeof(Store), typeof(IReads))],
            "Error JV104 Store and IReads are swapped: the service comes first, then the class"
        },
        {
            "open class and open service swapped",
            [Singleton.Of(typeof(Both<>), typeof(IFirst<>))],
            "Error JV104 Both<T> and IFirst<T> are swapped: the service comes first, then the class"
        },
        {
            "a decorator that does not fit what an open registration is closed for",
            [
                Singleton.Of(typeof(IFirst<>), typeof(Both<>)), Decorator.Of(typeof(IFirst<>), typeof(Strict<>)),
                Singleton.Of<NeedsFirst>().ResolvedDirectly(),
            ],
            "Note JV507 Strict<T> decorates IFirst<T>, but not IFirst<string>"
        },
    };

    /// <summary>Wirings that say what they mean.</summary>
    public static TheoryData<string, Wiring> Meant => new()
    {
        { "one registration for both", [Singleton.Of<IReads, Store>().Also<IWrites>()] },
        { "an alias", [Singleton.Of<Store>(), Alias.Of<IReads, Store>()] },
        { "transient both times", [Transient.Of<IReads, Store>(), Transient.Of<IWrites, Store>()] },
        { "other marks", [Singleton.Of<IReads, Store>().Marked("a"), Singleton.Of<IWrites, Store>().Marked("b")] },
        { "other constants", [Singleton.Of<IReads, Named>().Passing("name", "a"), Singleton.Of<IWrites, Named>().Passing("name", "b")] },
        { "accepted", [Singleton.Of<IReads, Store>(), Singleton.Of<IWrites, Store>().Accept("JV208", "Two are meant.")] },
        { "one alias more", [Singleton.Of<Store>(), Alias.Of<IReads, Store>(), Singleton.Of<IReads, Store>()] },
        {
            "two services, one only where it is missing",
            [Singleton.Of<IReads, Store>().Also<IWrites>(), Singleton.Of<IWrites, Store>().IfMissing()]
        },
        { "only for one that takes it", [Singleton.Of<IReads, Reader>().OnlyFor<Taking>(), Singleton.Of<Taking>()] },
        { "only for one that takes a list", [Singleton.Of<IReads, Reader>().OnlyFor<TakingAll>(), Singleton.Of<TakingAll>()] },
        { "only for one that is constructed later", [Singleton.Of<IReads, Reader>().OnlyFor<Taking>()] },
        {
            "only for one that a factory constructs",
            [Singleton.Of<IReads, Reader>().OnlyFor<Idle>(), Singleton.From((IReads reads) => new Idle())]
        },
    };

    [Theory]
    [MemberData(nameof(Found))]
    public void It_is_reported(string name, Wiring wiring, string expected)
    {
        _ = name;

        Assert.Equal([expected], Reported(wiring));
    }

    [Theory]
    [MemberData(nameof(Meant))]
    public void What_is_meant_is_not_reported(string name, Wiring wiring)
    {
        _ = name;

        Assert.Empty(Reported(wiring));
    }

    [Fact]
    public void A_warning_of_an_option_does_not_stop_a_program()
    {
        using Container container = new Wiring { Singleton.Of<IReads, Reader>().OnlyFor<Idle>(), Singleton.Of<Idle>() }.Build();

        Assert.NotNull(container.Resolve<Idle>());
    }

    [Fact]
    public void The_first_fix_serves_all_with_one_instance()
    {
        Wiring wiring =
        [
            Singleton.Of<IReads, Store>(),
            Singleton.Of<IWrites, Store>(),
        ];

        Fault fault = Assert.Single(wiring.Check().All, fault => fault.Code == "JV208");

        Assert.Equal("Singleton.Of<IReads, Store>().Also<IWrites>()", fault.Fixes[0].Code);
        Assert.Equal([SourceEditKind.AppendOption, SourceEditKind.RemoveRegistration], fault.Fixes[0].Edits.Select(edit => edit.Kind));
    }

    [Fact]
    public void Two_values_of_one_type_are_one_mistake()
    {
        Fault fault = Assert.Single(new Wiring { Singleton.Of<Label>().Passing("Dunnage 4").Passing("new make") }.Check().All);

        Assert.Equal("JV106 Label has 2 constructor parameters of type string: warehouse, spirit", $"{fault.Code} {fault.Summary}");
        Assert.Equal(".Passing(\"warehouse\", …).Passing(\"spirit\", …)", fault.Fixes[0].Code);
    }

    [Fact]
    public void One_value_for_two_parameters_hides_no_other_mistake() => Assert.Equal(
        ["JV101", "JV106"],
        new Wiring { Singleton.Of<Label>().Passing("Dunnage 4") }.Check().All.Select(fault => fault.Code).Distinct().Order());

    private static IEnumerable<string> Reported(Wiring wiring) => wiring.Check().All
        .Where(fault => Options.Contains(fault.Code))
        .Select(fault => $"{fault.Severity} {fault.Code} {fault.Summary}");

    private interface IReads;

    private interface IWrites;

    private sealed class Store : IReads, IWrites
    {
        public int Last { get; set; }
    }

    private sealed class Reader : IReads, IWrites;

    private sealed record Named(string Name) : IReads, IWrites;

    private sealed class Idle;

    private sealed class Label(string warehouse, string spirit)
    {
        public override string ToString() => $"[{warehouse}] {spirit}";
    }

    private sealed record Taking(IReads Reads);

    private sealed record TakingAll(IReadOnlyList<IReads> Reads);

    private interface IFirst<T>;

    private interface ISecond<T>;

    private sealed class Both<T> : IFirst<T>, ISecond<T>;

    private sealed class Strict<T>(IFirst<T> inner) : IFirst<T>
        where T : struct
    {
        public IFirst<T> Inner => inner;
    }

    private sealed record NeedsFirst(IFirst<string> First);
}
