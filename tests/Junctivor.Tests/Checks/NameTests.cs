namespace Junctivor.Tests.Checks;

/// <summary>Types are written as C# writes them.</summary>
public class NameTests
{
    [Theory]
    [InlineData(typeof(List<int?>), "List<int?>")]
    [InlineData(typeof(Dictionary<string, List<byte[]>>), "Dictionary<string, List<byte[]>>")]
    [InlineData(typeof((int, string)[]), "(int, string)[]")]
    [InlineData(typeof((int, int, int, int, int, int, int, string)), "(int, int, int, int, int, int, int, string)")]
    [InlineData(typeof(int[][,]), "int[][,]")]
    [InlineData(typeof(Shelf<int>.Board), "NameTests.Shelf<int>.Board")]
    [InlineData(typeof(Shelf<int>.Row<string>), "NameTests.Shelf<int>.Row<string>")]
    [InlineData(typeof(Shelf<>), "NameTests.Shelf<T>")]
    [InlineData(typeof(Hidden), "Hidden")]
    [InlineData(typeof(Hidden.Inside), "Hidden.Inside")]
    [InlineData(typeof(nint), "nint")]
    [InlineData(typeof(ushort), "ushort")]
    public void A_type_is_spelled_as_in_source(Type type, string expected) =>
        Assert.Equal($"singleton {expected}", Singleton.Of(type).ToString());

    public sealed class Shelf<T>
    {
        public sealed class Board;

        public sealed class Row<TBook>;
    }

    private sealed class Hidden
    {
        public sealed class Inside;
    }
}
