using Junctivor;

namespace Mistakes.Programs;

/// <summary>A herbarium: the open decorator leaves one collection as it is, and the visitor walks around the other.</summary>
public static class Herbarium
{
    /// <summary>What the sound program prints.</summary>
    public const string Prints = """
        labelled Fern, labelled Moss, index read once

        """;

    [CheckedWiring("herbarium")]
    public static Wiring Wiring =>
    [
        Singleton.Of<IShelf<Fern>, Shelf<Fern>>(),
        Singleton.Of<IShelf<Moss>, Shelf<Moss>>(),
        Decorator.Of(typeof(IShelf<>), typeof(LabelledShelf<>)),
        Singleton.Of<PaperIndex>().Also<IIndex>(),
        Decorator.Of<IIndex, CountingIndex>(),
        Singleton.Of<Visitor>(),
    ];

    public static void Run(TextWriter output)
    {
        using Container container = Wiring.Build();
        output.WriteLine(container.Resolve<Visitor>().Look());
    }

    private interface IPlant;

    private interface IShelf<T>
    {
        string Show();
    }

    private interface IIndex
    {
        string Read();
    }

    private sealed class Fern : IPlant;

    private sealed class Moss;

    private sealed class Shelf<T> : IShelf<T>
    {
        public string Show() => typeof(T).Name;
    }

    private sealed class LabelledShelf<T>(IShelf<T> inner) : IShelf<T>
        where T : IPlant
    {
        public string Show() => $"labelled {inner.Show()}";
    }

    private sealed class PaperIndex : IIndex
    {
        public string Read() => "index";
    }

    private sealed class CountingIndex(IIndex inner) : IIndex
    {
        public string Read() => $"{inner.Read()} read once";
    }

    private sealed class Visitor(IShelf<Fern> ferns, IShelf<Moss> mosses, PaperIndex index)
    {
        public string Look() => $"{ferns.Show()}, {mosses.Show()}, {index.Read()}";
    }
}
