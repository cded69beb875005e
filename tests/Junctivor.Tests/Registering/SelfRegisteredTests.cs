namespace Junctivor.Tests.Registering;

public class SelfRegisteredTests
{
    private static SelfRegistered Here =>
        SelfRegistered.In<SelfRegisteredTests>().Where(type => type.DeclaringType == typeof(SelfRegisteredTests));

    [Fact]
    public void Classes_carry_their_own_registration()
    {
        Wiring wiring = [.. Here];
        using Container container = wiring.Build();
        using Scope scope = container.StartScope();

        Assert.IsType<Beacon>(scope.Resolve<ILight>("beacon"));
        Assert.NotSame(scope.Resolve<Beacon>(), container.StartScope().Resolve<Beacon>());
        Assert.Same(container.Resolve<Lighthouse>(), container.Resolve<ILight>());
        Assert.Equal(typeof(Lamp<int>), container.Resolve<ILamp<int>>().GetType());
    }

    [Fact]
    public void What_was_taken_can_be_narrowed_and_printed()
    {
        SelfRegistered narrowed = Here.Where(type => type == typeof(Lighthouse));

        Assert.Equal(
            "singleton SelfRegisteredTests.Lighthouse for SelfRegisteredTests.Lighthouse, SelfRegisteredTests.ILight", narrowed.ToString());
        Assert.Equal(4, Here.Count);
        Assert.Contains(
            "scoped SelfRegisteredTests.Beacon for SelfRegisteredTests.ILight marked \"beacon\"", Here.ToString(),
            StringComparison.Ordinal);
        Assert.All(Here, registration => Assert.EndsWith("SelfRegisteredTests.cs", registration.File, StringComparison.Ordinal));
    }

    public interface ILight;

    public interface ILamp<T>;

    [SelfRegistered(Lifetime.Scoped)]
    [SelfRegistered<ILight>(Lifetime.Scoped, Mark = "beacon")]
    public sealed class Beacon : ILight;

    [SelfRegistered(Lifetime.Singleton)]
    [SelfRegistered<ILight>(Lifetime.Singleton)]
    public sealed class Lighthouse : ILight;

    [SelfRegistered(typeof(ILamp<>), Lifetime.Transient)]
    public sealed class Lamp<T> : ILamp<T>;
}
