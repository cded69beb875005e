namespace Junctivor.Tests.Runtime;

public class ServiceTypeTests
{
    public delegate string Signal(int blasts);

    public enum Weather
    {
        Calm,
        Storm,
    }

    [Fact]
    public void Values_arrays_tuples_delegates_records_and_generic_interfaces_are_services_like_any()
    {
        int[] depths = [3, 4];
        Signal signal = blasts => $"{blasts} blasts";
        using Container container = new Wiring
        {
            Singleton.Value(depths),
            Singleton.Value((Berth: 2, Vessel: "Heron")),
            Singleton.Value(signal),
            Singleton.Value(Weather.Storm),
            Singleton.Value(new Position(54, 10)),
            Singleton.Value<IComparer<string>>(StringComparer.Ordinal),
            Transient.From(() => 7L),
            Transient.Of<Everything>(),
        }.Build();

        Everything everything = container.Resolve<Everything>();

        Assert.Same(depths, everything.Depths);
        Assert.Equal((2, "Heron"), everything.Booking);
        Assert.Equal("3 blasts", everything.Signal(3));
        Assert.Equal(Weather.Storm, everything.Weather);
        Assert.Equal(new Position(54, 10), everything.Position);
        Assert.Same(StringComparer.Ordinal, everything.Order);
        Assert.Equal(7, everything.Length);
        Assert.Equal([7L], container.Resolve<IReadOnlyList<long>>());
        Assert.Equal(7, container.Resolve<Lazy<long>>().Value);
        Assert.Equal(7, container.Resolve<Func<long>>()());
    }

    [Fact]
    public void An_optional_value_is_met_by_a_registration_of_the_plain_type()
    {
        using Container container =
            new Wiring
            {
                Singleton.Value(Weather.Storm), Transient.From((Weather? weather, Position? position) => $"{weather} {position}"),
            }.Build();

        Assert.Equal("Storm ", container.Resolve<string>());
    }

    [Fact]
    public void What_is_handed_out_under_a_type_that_it_is_not_is_refused_before_anything_is_created()
    {
        Wiring wiring =
        [
            Singleton.ValueAs(typeof(int), "seven"),
            Singleton.Of(typeof(IClock), typeof(Everything)),
            Singleton.From(object () => "x").Also(typeof(IBerthLedger)),
        ];

        Assert.Equal(["JV104", "JV104", "JV104"], wiring.Check().Errors.Where(fault => fault.Code == "JV104").Select(fault => fault.Code));
        Assert.Throws<WiringException>(() => wiring.Build());
    }

    [Theory]
    [InlineData(typeof(int?))]
    [InlineData(typeof(Func<int>))]
    [InlineData(typeof(Lazy<int>))]
    [InlineData(typeof(FreshScope<string>))]
    [InlineData(typeof(Scope))]
    [InlineData(typeof(Container))]
    [InlineData(typeof(ConsumingClass))]
    public void Provided_types_cannot_be_registered(Type service)
    {
        Wiring wiring = [Scoped.Incoming(service)];

        Assert.Equal("JV109", Assert.Single(wiring.Check().Errors).Code);
    }

    public readonly record struct Position(int North, int East);

    public sealed record Everything(
        int[] Depths, (int Berth, string Vessel) Booking, Signal Signal, Weather Weather, Position Position, IComparer<string> Order,
        long Length);
}
