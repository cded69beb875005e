using Junctivor;
using Junctivor.Load;
using Microsoft.AspNetCore.Mvc;

// One endpoint twice, in one process: at the first address its services are made by hand, at the second by a container.
if (args is not [string byHandAddress, string wiredAddress])
{
    Console.Error.WriteLine("Give two addresses to listen on, such as http://127.0.0.1:5081 and http://127.0.0.1:5082.");
    return 2;
}

Wiring wiring =
[
    Singleton.Of<TideTable>(),
    Scoped.Of<Ledger>(),
    Transient.Of<Planner>(),
    Scoped.Of<Desk>(),
];
await using Container container = wiring.Build();

await using WebApplication byHand = Listening(byHandAddress);
TideTable tides = new();
byHand.MapGet("/", async () =>
{
    await using Ledger ledger = new();
    return new Desk(ledger, new Planner(ledger, tides)).Answer();
});

await using WebApplication wired = Listening(wiredAddress);
wired.UseJunctivor(container);
wired.MapGet("/", ([FromServices] Desk desk) => desk.Answer());

await byHand.StartAsync();
await wired.StartAsync();
Console.WriteLine("listening");
await wired.WaitForShutdownAsync();
return 0;

static WebApplication Listening(string address) =>
    WebApplication.CreateSlimBuilder(["--urls", address, "--Logging:LogLevel:Default=None"]).Build();
