using Junctivor.CompilerServices;

namespace Junctivor.Tests.Registering;

/// <summary>Calls that are compiled in serve programs that cannot make code, and no others. Both are run: see .ci/run.</summary>
public class CompiledRecipesTests
{
    [Fact]
    public void A_call_that_is_compiled_in_takes_the_place_of_reflection()
    {
        int called = 0;
        CompiledRecipes.Add(typeof(Buoy), arguments =>
        {
            called++;
            return new Buoy((string)arguments[0]!);
        });
        Wiring wiring = [Singleton.Value("red"), Transient.Of<Buoy>()];
        using Container container = wiring.Build();

        Assert.Equal("red", container.Resolve<Buoy>().Color);
        Assert.Equal("red", container.Resolve<Buoy>().Color);
        Assert.Equal(CompiledRecipes.AreUsed ? 2 : 0, called);
    }

    [Fact]
    public void Of_several_constructors_the_chosen_one_is_called()
    {
        CompiledRecipes.Add(typeof(Mark), arguments => new Mark((string)arguments[0]!), typeof(string));
        CompiledRecipes.Add(
            typeof(Mark),
            arguments => new Mark((string)arguments[0]!, CompiledRecipes.Argument<int>(arguments[1])),
            typeof(string),
            typeof(int));
        Wiring wiring = [Singleton.Value("red"), Singleton.Value(4), Transient.Of<Mark>()];
        using Container container = wiring.Build();

        Assert.Equal("red 4", container.Resolve<Mark>().Text);
    }

    [Fact]
    public void Nothing_stands_for_the_default_of_a_structure()
    {
        Assert.Equal(0, CompiledRecipes.Argument<int>(null));
        Assert.Null(CompiledRecipes.Argument<int?>(null));
        Assert.Equal(3, CompiledRecipes.Argument<int?>(3));
    }

    [Fact]
    public void A_class_that_is_gone_is_left_out()
    {
        CompiledRecipes.Add(null, arguments => arguments);
        CompiledRecipes.Keep(null);

        Assert.Throws<ArgumentNullException>(() => CompiledRecipes.Add(typeof(Buoy), null!));
    }

    private sealed record Buoy(string Color);

    private sealed class Mark
    {
        public Mark(string color) => Text = color;

        [Inject]
        public Mark(string color, int number) => Text = $"{color} {number}";

        public string Text { get; }
    }
}
