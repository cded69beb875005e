namespace HowTo;

/// <summary>Several registrations of one service: those without a mark, all of them, or those with a mark by name.</summary>
internal static class Lists
{
    public static void Run()
    {
        Wiring wiring =
        [
            Singleton.Of<INoticeChannel, FlagMast>(),
            Singleton.Of<INoticeChannel, Blackboard>(),
            Singleton.Of<INoticeChannel, Foghorn>().Marked("fog"),
            Singleton.Of<INoticeChannel, Gun>().Marked("storm"),
            Transient.Of<NoticeDesk>(),
        ];
        using Container container = wiring.Build();

        container.Resolve<NoticeDesk>().Tell();
    }

    private interface INoticeChannel;

    private sealed class FlagMast : INoticeChannel;

    private sealed class Blackboard : INoticeChannel;

    private sealed class Foghorn : INoticeChannel;

    private sealed class Gun : INoticeChannel;

    private sealed class NoticeDesk(
        IReadOnlyList<INoticeChannel> everyDay,
        IReadOnlyDictionary<string, INoticeChannel> byWeather,
        [IncludingMarked] IReadOnlyList<INoticeChannel> all)
    {
        public void Tell()
        {
            WriteLine($"Every day:   {string.Join(", ", everyDay.Select(channel => channel.GetType().Name))}");
            WriteLine($"All:         {string.Join(", ", all.Select(channel => channel.GetType().Name))}");
            WriteLine($"By weather:  {string.Join(", ", byWeather.Select(pair => $"{pair.Key}: {pair.Value.GetType().Name}"))}");
        }
    }
}
