using Junctivor;
using Junctivor.Checks;
using Junctivor.Fixing;
using Junctivor.Fixing.Editing;

namespace Mistakes.Tests;

/// <summary>What the engine writes where the source is not as simple as a sample, and what it leaves to the user.</summary>
public class FixingTests
{
    private const string Head = """
        using Junctivor;

        public interface IBook
        {
            int Next();

            IEnumerable<int> Pages();
        }

        public sealed class Book : IBook
        {
            public int Next() => 1;

            public IEnumerable<int> Pages() => [1];
        }

        """;

    [Theory]
    [InlineData(
        "public sealed class Desk(IBook book) { public int A() => book.Next() + B(); public int B() => book.Next(); }",
        "B is called by another method that uses it too, and both must share one scope")]
    [InlineData(
        "public sealed class Desk(IBook book) { public IEnumerable<int> A() => book.Pages(); }",
        "what A gets from book is read after its scope was disposed")]
    [InlineData(
        "public sealed class Desk(IBook book) { public IEnumerable<int> A() { yield return book.Next(); yield return book.Next(); } }",
        "what A returns is read after its scope was disposed")]
    [InlineData(
        "public sealed class Desk(IBook book) { public IBook A => book; }",
        "A hands on book itself, beyond the end of its scope")]
    [InlineData(
        "public sealed class Desk(IBook book) { public object? B; public void A() { B = book; } }",
        "A hands on book itself, beyond the end of its scope")]
    [InlineData(
        "public sealed class Desk { private readonly object _book; public Desk(IBook book) => _book = book; public object A() => _book; }",
        "_book keeps book as object")]
    [InlineData(
        "public sealed class Desk(IBook book) { public Func<int> A() => book.Next; }",
        "A uses book in a function, which may run after the end of its scope")]
    [InlineData(
        "public sealed class Desk(IBook book) { public Func<int> A() { book.Next(); return () => book.Next(); } }",
        "A uses book in a function, which may run after the end of its scope")]
    [InlineData(
        "public sealed class Desk(IBook book) { public int A(int fresh) => book.Next() + fresh; }",
        "'fresh' is another name in A")]
    [InlineData(
        "public sealed class Desk { private IBook _book; public Desk(IBook book) => _book = book; public void A() => this._book = new "
            + "Book(); }",
        "this._book is assigned something else than the parameter")]
    [InlineData(
        "public sealed class Desk { private readonly IBook _a, _b; public Desk(IBook book) { _a = book; _b = book; } }",
        "_a is declared together with others")]
    [InlineData(
        "public sealed class Desk { private readonly Func<int> _next; public Desk(IBook book) => _next = book.Next; }",
        "book is kept beyond the constructor")]
    public void A_captive_that_cannot_be_fixed_mechanically_is_left_with_the_reason(string desk, string reason)
    {
        FixedSource source = FixedSource.OfText($$"""
            {{Head}}
            public static class Office
            {
                [CheckedWiring]
                public static Wiring Wiring => [Scoped.Of<IBook, Page>(), Singleton.Of<Desk>()];
            }

            public sealed class Page : IBook, IDisposable
            {
                public int Next() => 1;

                public IEnumerable<int> Pages() => [1];

                public void Dispose()
                {
                }
            }

            {{desk}}
            """);

        (FixedSource after, IReadOnlyList<FixOutcome> done) = source.Fix();

        Assert.Equal(reason, Assert.Single(done).Obstacle);
        Assert.Equal(source.Text, after.Text);
    }

    [Theory]
    [InlineData("Scoped.Of<Book>()", "return container.Resolve<Book>();", "what is resolved is returned, beyond the end of a scope")]
    [InlineData(
        "Scoped.Of<Book>()", "object scope = 1; object book = container.Resolve<Book>(); return scope;",
            "'scope' is another name in Sample0.cs")]
    [InlineData(
        "Singleton.FromAsync(() => Task.FromResult(new Book()))", "return container.Resolve<Book>();",
            "the method of the call is not async")]
    public void A_call_that_cannot_be_fixed_mechanically_is_left_with_the_reason(string registration, string statements, string reason)
    {
        FixedSource source = FixedSource.OfText($$"""
            {{Head}}
            public static class Office
            {
                public static object Ask()
                {
                    Wiring wiring = [{{registration}}];
                    using Container container = wiring.Build();
                    {{statements}}
                }
            }
            """);
        Fault fault = source.Run(assembly => Assert.IsType<ResolveException>(Assert.Throws<System.Reflection.TargetInvocationException>(
            () => assembly.GetType("Office")!.GetMethod("Ask")!.Invoke(null, [])).InnerException).Fault);

        CannotEditException refused = Assert.Throws<CannotEditException>(() => source.Edited(fault.Fixes[0]));

        Assert.Equal(reason, refused.Message);
    }

    [Fact]
    public void A_class_that_keeps_something_between_two_calls_is_not_split()
    {
        FixedSource source = FixedSource.OfText($$"""
            {{Head}}
            public sealed class Till;

            public static class Office
            {
                [CheckedWiring]
                public static Wiring Wiring => [Scoped.Of<IBook, Book>(), Scoped.Of<Till>(), Singleton.Of<Desk>()];
            }

            public sealed class Desk(IBook book, Till till)
            {
                private int _calls;

                public string A() => $"{++_calls} {book.Next()} {till}";
            }
            """);

        Assert.Equal("Desk keeps _calls between two calls", Assert.Single(source.Fix().Done).Obstacle);
    }

    [Fact]
    public void A_name_of_another_namespace_is_written_so_that_it_is_known()
    {
        FixedSource source = FixedSource.OfText("""
            using Junctivor;

            namespace Wirings
            {
                public static class Office
                {
                    [CheckedWiring]
                    public static Wiring Wiring => [Singleton.Of<Desks.Desk>()];
                }
            }

            namespace Books
            {
                public interface IBook;

                public sealed class PaperBook : IBook;
            }

            namespace Desks
            {
                public sealed class Desk(Books.IBook book)
                {
                    public Books.IBook Book => book;
                }
            }
            """);

        (FixedSource after, IReadOnlyList<FixOutcome> done) = source.Fix();

        Assert.Null(Assert.Single(done).Obstacle);
        Assert.Contains("[Singleton.Of<Desks.Desk>(), Singleton.Of<Books.IBook, Books.PaperBook>()]", after.Text, StringComparison.Ordinal);
    }

    [Fact]
    public void A_file_that_does_not_know_the_library_gets_a_using_directive()
    {
        FixedSource source = FixedSource.OfText(
            """
            using Junctivor;

            public static class Office
            {
                [CheckedWiring]
                public static Wiring Wiring => [Scoped.Of<Desks.Book>(), Singleton.Of<Desks.Desk>()];
            }
            """,
            """
            namespace Desks;

            public sealed class Book
            {
                public int Next() => 1;
            }

            public sealed class Desk(Book book)
            {
                public int Next() => book.Next();
            }
            """);

        (FixedSource after, IReadOnlyList<FixOutcome> done) = source.Fix();

        Assert.Null(Assert.Single(done).Obstacle);
        Assert.StartsWith("using Junctivor;\n\nnamespace Desks;", after.Text.ReplaceLineEndings("\n"), StringComparison.Ordinal);
        Assert.Contains("public sealed class Desk(FreshScope<Book> book)", after.Text, StringComparison.Ordinal);
    }

    [Fact]
    public void Registrations_on_one_line_are_told_apart_by_their_class()
    {
        FixedSource source = FixedSource.OfText($$"""
            {{Head}}
            public static class Office
            {
                [CheckedWiring]
                public static Wiring Wiring => [Singleton.Of<Lamp>(), Singleton.Of<Book>(), Singleton.Of<Desk>()];
            }

            public sealed class Lamp;

            public sealed class Desk(IBook book)
            {
                public IBook Book => book;
            }
            """);

        Assert.Contains(
            "[Singleton.Of<Lamp>(), Singleton.Of<Book>().Also<IBook>(), Singleton.Of<Desk>()]", source.Fix().Source.Text,
            StringComparison.Ordinal);
    }

    [Fact]
    public void Options_on_lines_of_their_own_get_another_line()
    {
        FixedSource source = FixedSource.OfText($$"""
            {{Head}}
            public static class Office
            {
                [CheckedWiring]
                public static Wiring Wiring =>
                [
                    Singleton.Of<Book>()
                        .ResolvedDirectly(),
                    Singleton.Of<Desk>().ResolvedDirectly(),
                ];
            }

            public sealed class Desk(IBook book)
            {
                public IBook Book => book;
            }
            """);

        Assert.Contains(
            "Singleton.Of<Book>()\n            .ResolvedDirectly()\n            .Also<IBook>(),",
            source.Fix().Source.Text.ReplaceLineEndings("\n"),
            StringComparison.Ordinal);
    }

    [Fact]
    public void A_registration_that_a_method_returns_gets_none_beside_it()
    {
        FixedSource source = FixedSource.OfText($$"""
            {{Head}}
            public static class Office
            {
                [CheckedWiring]
                public static Wiring Wiring => [Desk()];

                private static Registration Desk() => Singleton.Of<Desk>();
            }

            public sealed class Desk(IBook book)
            {
                public IBook Book => book;
            }
            """);

        Assert.Equal(
            "the registration beside which it belongs is no element of a collection", Assert.Single(source.Fix().Done).Obstacle);
    }

    private const string Office = """
        using Junctivor;

        public static class Office
        {
            [CheckedWiring]
            public static Wiring Wiring => [Singleton.Of<Pen>(), Singleton.Of<Ink>()];
        }

        public sealed class Pen(Ink ink)
        {
            public Ink Ink => ink;
        }

        """;

    [Fact]
    public void A_cycle_is_fixed_where_the_value_is_not_needed_at_construction()
    {
        FixedSource source = FixedSource.OfText($$"""
            {{Office}}
            public sealed class Ink(Pen pen)
            {
                private readonly string _pen = pen.GetType().Name;

                public override string ToString() => _pen;
            }
            """);

        (FixedSource after, IReadOnlyList<FixOutcome> done) = source.Fix();

        Assert.Null(Assert.Single(done).Obstacle);
        Assert.Contains("public sealed class Pen(Lazy<Ink> ink)", after.Text, StringComparison.Ordinal);
        Assert.Contains("public Ink Ink => ink.Value;", after.Text, StringComparison.Ordinal);
    }

    [Fact]
    public void A_Lazy_whose_value_is_needed_at_construction_is_not_written()
    {
        FixedSource source = FixedSource.OfText("""
            using Junctivor;

            public static class Office
            {
                [CheckedWiring]
                public static Wiring Wiring => [Singleton.Of<Pen>(), Singleton.Of<Ink>()];
            }

            public sealed class Pen(Ink ink)
            {
                public string Name { get; } = ink.Name;
            }

            public sealed class Ink(Pen pen)
            {
                public string Name { get; } = pen.Name;
            }
            """);

        Assert.EndsWith("is used during construction, where its Value is not there yet", Assert.Single(source.Fix().Done).Obstacle);
    }

    [Fact]
    public void A_fix_that_would_not_compile_is_left_with_the_place()
    {
        FixedSource source = FixedSource.OfText("""
            using Junctivor;

            public static class Office
            {
                [CheckedWiring]
                public static Wiring Wiring => [Scoped.Of<Book>(), Singleton.Of<Desk>()];
            }

            public sealed class Book : IDisposable
            {
                public int Next(Span<int> pages) => pages.Length;

                public void Dispose()
                {
                }
            }

            public sealed class Desk(Book book)
            {
                public int Both(Span<int> pages) => book.Next(pages);
            }
            """);

        Assert.Equal("the changed source would not compile (CS9108 at Sample0.cs:20)", Assert.Single(source.Fix().Done).Obstacle);
    }
}
