namespace HowTo;

/// <summary>What a user keeps from one request to the next lives in a session: it ends when the user stays away, or signs out.</summary>
internal static class UserSession
{
    private static readonly ScopeLevel Session = new("user session");

    public static async Task RunAsync()
    {
        Wiring wiring =
        [
            Session.Incoming<User>(),
            Session.Of<Basket>(),
            Scoped.Of<OrderDesk>(),                         // one for each request
        ];
        await using Container container = wiring.Build();
        await using Sessions sessions = new(container, Session, TellAsync)
        { MaxCount = 2, IdleTimeout = TimeSpan.FromMinutes(30) };

        await OrderAsync(sessions, "Mira", "rope");
        await OrderAsync(sessions, "Tove", "a lantern");
        await OrderAsync(sessions, "Mira", "tar");
        await OrderAsync(sessions, "Odd", "a pump");        // the third: the one left the longest ago ends
        WriteLine("Mira signs out");
        sessions.Drop("Mira");
    }

    private static async Task OrderAsync(Sessions sessions, string name, string thing)
    {
        await using SessionVisit visit = await sessions.EnterAsync(name, [Incoming.Value(new User(name))]);
        await using Scope request = visit.Scope.StartScope();
        WriteLine(request.Resolve<OrderDesk>().Order(thing));
    }

    private static Task TellAsync(string key, Exception failure) =>
        Out.WriteLineAsync($"The session of {key} did not end well: {failure.Message}");

    private sealed record User(string Name);

    private sealed class Basket(User user) : IDisposable
    {
        private readonly List<string> _things = [];

        public string Add(string thing)
        {
            _things.Add(thing);
            return $"{user.Name}'s basket: {string.Join(", ", _things)}";
        }

        public void Dispose() => WriteLine($"  {user.Name}'s basket is put away");
    }

    private sealed class OrderDesk(Basket basket)
    {
        public string Order(string thing) => basket.Add(thing);
    }
}
