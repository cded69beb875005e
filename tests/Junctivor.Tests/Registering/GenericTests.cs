using Junctivor.Checks;

namespace Junctivor.Tests.Registering;

public class GenericTests
{
    [Fact]
    public void An_open_class_serves_each_closing_with_an_instance_of_its_own()
    {
        using Container container = new Wiring { Singleton.Of(typeof(IArchive<>), typeof(Shelf<>)) }.Build();

        Assert.IsType<Shelf<int>>(container.Resolve<IArchive<int>>());
        Assert.Same(container.Resolve<IArchive<int>>(), container.Resolve<IArchive<int>>());
        Assert.IsType<Shelf<string>>(container.Resolve<IArchive<string>>());
    }

    [Fact]
    public void Dependencies_of_a_closed_type_are_checked()
    {
        Wiring wiring = [Singleton.Of(typeof(IArchive<>), typeof(NeedyShelf<>)), Transient.Of<Archivist>()];

        Fault fault = Assert.Single(wiring.Check().Errors);

        Assert.Equal("JV101", fault.Code);
        Assert.Contains("NeedyShelf<int> requires IClock", fault.Summary, StringComparison.Ordinal);
    }

    [Fact]
    public void A_closing_that_is_first_required_at_run_time_is_checked_then()
    {
        using Container container = new Wiring { Singleton.Of(typeof(IArchive<>), typeof(NeedyShelf<>)) }.Build();

        for (int time = 0; time < 2; time++)
        {
            ResolveException thrown = Assert.Throws<ResolveException>(container.Resolve<IArchive<int>>);
            Assert.Equal("JV101", Assert.Single(thrown.Report.Errors).Code);
        }
    }

    [Fact]
    public void Fewer_and_reordered_type_parameters_are_found_out()
    {
        using Container container = new Wiring
        {
            Singleton.Of(typeof(IMap<,>), typeof(Turned<,>)),
            Singleton.Of(typeof(ITextMap<,>), typeof(ByText<>)),
            Singleton.Of(typeof(IArchive<>), typeof(ListShelf<>)),
        }.Build();

        Assert.IsType<Turned<string, int>>(container.Resolve<IMap<int, string>>());
        Assert.IsType<ByText<int>>(container.Resolve<ITextMap<string, int>>());
        Assert.IsType<ListShelf<int>>(container.Resolve<IArchive<List<int>>>());
        Assert.Equal("JV206", Assert.Throws<ResolveException>(container.Resolve<ITextMap<int, int>>).Report.Errors[0].Code);
    }

    [Fact]
    public void Registrations_with_unsatisfied_constraints_are_skipped()
    {
        using Container container = new Wiring
        {
            Singleton.Of(typeof(IArchive<>), typeof(Shelf<>)),
            Singleton.Of(typeof(IArchive<>), typeof(ClassShelf<>)),
        }.Build();

        Assert.IsType<Shelf<int>>(container.Resolve<IArchive<int>>());
        Assert.Equal("JV202", Assert.Throws<ResolveException>(container.Resolve<IArchive<string>>).Report.Errors[0].Code);
        Assert.Equal(
            [typeof(Shelf<string>), typeof(ClassShelf<string>)],
            container.Resolve<IArchive<string>[]>().Select(archive => archive.GetType()));
    }

    [Fact]
    public void Generic_service_without_a_fitting_registration_is_a_fault()
    {
        Wiring wiring = [Singleton.Of(typeof(IArchive<>), typeof(ClassShelf<>)), Transient.Of<Archivist>()];

        Fault fault = Assert.Single(wiring.Check().Errors);

        Assert.Equal("JV206", fault.Code);
        Assert.Contains("IArchive<int>", fault.Summary, StringComparison.Ordinal);
        Assert.Equal(["GenericTests.ClassShelf<T>"], fault.Candidates);
    }

    [Fact]
    public void A_closed_registration_serves_its_closing_in_lists_too()
    {
        using Container container = new Wiring
        {
            Singleton.Of(typeof(IArchive<>), typeof(Shelf<>)),
            Singleton.Of<IArchive<int>, NumberShelf>(),
        }.Build();

        Assert.IsType<NumberShelf>(container.Resolve<IArchive<int>>());
        Assert.IsType<NumberShelf>(Assert.Single(container.Resolve<IReadOnlyList<IArchive<int>>>()));
        Assert.IsType<Shelf<long>>(container.Resolve<IArchive<long>>());
    }

    [Fact]
    public void An_open_decorator_decorates_every_closing_closed_ones_too()
    {
        using Container container = new Wiring
        {
            Scoped.Of(typeof(IArchive<>), typeof(Shelf<>)),
            Scoped.Of<IArchive<int>, NumberShelf>(),
            Decorator.Of(typeof(IArchive<>), typeof(Catalogued<>)),
        }.Build();
        using Scope scope = container.StartScope();

        Assert.IsType<NumberShelf>(Assert.IsType<Catalogued<int>>(scope.Resolve<IArchive<int>>()).Inner);
        Assert.IsType<Shelf<long>>(Assert.IsType<Catalogued<long>>(scope.Resolve<IArchive<long>>()).Inner);
        Assert.Same(scope.Resolve<IArchive<long>>(), scope.Resolve<IArchive<long>>());
    }

    [Fact]
    public void One_open_class_serves_several_services_with_one_instance()
    {
        using Container container = new Wiring { Singleton.Of(typeof(IArchive<>), typeof(Library<>)).Also(typeof(IReading<>)) }.Build();

        Assert.Same(container.Resolve<IArchive<int>>(), container.Resolve<IReading<int>>());
    }

    [Fact]
    public void Types_that_would_nest_for_ever_end_in_a_fault()
    {
        Wiring wiring = [Singleton.Of(typeof(IArchive<>), typeof(Endless<>)), Transient.Of<Archivist>()];

        Assert.NotEmpty(wiring.Check().Errors);
    }

    public interface IArchive<T>;

    public interface IReading<T>;

    public interface IMap<TKey, TValue>;

    public interface ITextMap<TKey, TValue>;

    public sealed class Shelf<T> : IArchive<T>;

    public sealed class Library<T> : IArchive<T>, IReading<T>;

    public sealed class NumberShelf : IArchive<int>;

    public sealed class ListShelf<T> : IArchive<List<T>>;

    public sealed class ClassShelf<T> : IArchive<T>
        where T : class;

    public sealed class NeedyShelf<T>(IClock clock) : IArchive<T>
    {
        public IClock Clock { get; } = clock;
    }

    public sealed class Endless<T>(IArchive<List<T>> next) : IArchive<T>
    {
        public IArchive<List<T>> Next { get; } = next;
    }

    public sealed class Turned<TValue, TKey> : IMap<TKey, TValue>;

    public sealed class ByText<TValue> : ITextMap<string, TValue>;

    public sealed class Catalogued<T>(IArchive<T> inner) : IArchive<T>
    {
        public IArchive<T> Inner { get; } = inner;
    }

    public sealed class Archivist(IArchive<int> archive)
    {
        public IArchive<int> Archive { get; } = archive;
    }
}
