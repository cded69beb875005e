namespace HowTo;

/// <summary>Required properties are filled as parameters are; [Inject] marks others, also on objects that somebody else created.</summary>
internal static class Properties
{
    public static void Run()
    {
        Wiring wiring =
        [
            Singleton.Of<TariffBook>(),
            Singleton.Value("the harbour master").Marked("signature"),
            Transient.Of<Invoice>(),
        ];
        using Container container = wiring.Build();

        WriteLine(container.Resolve<Invoice>());

        Window window = new();      // made by a framework that knows nothing of containers
        container.FillProperties(window);
        WriteLine($"The window has its tariffs: {window.Tariffs is not null}");
    }

    private sealed class TariffBook;

    private sealed class Invoice
    {
        public required TariffBook Tariffs { get; init; }

        [Inject]
        [Marked("signature")]
        public string? SignedBy { get; set; }

        public override string ToString() => $"An invoice by {Tariffs.GetType().Name}, signed by {SignedBy}";
    }

    private sealed class Window
    {
        [Inject]
        public TariffBook? Tariffs { get; set; }
    }
}
