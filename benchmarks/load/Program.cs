using Harbour.Office;
using Junctivor;
using Junctivor.Load;

// Each endpoint twice, in one process: at the first address its services are created by hand, at the second by a container.
if (args is not [string byHandAddress, string wiredAddress])
{
    Console.Error.WriteLine("Give two addresses to listen on, such as http://127.0.0.1:5081 and http://127.0.0.1:5082.");
    return 2;
}

string folder = Directory.CreateTempSubdirectory("junctivor-load-").FullName;
try
{
    HarbourSettings settings = new(HarbourSettings.ShippedData, Path.Combine(folder, "ledger.db"), IsQuiet: true);
    await using Container container = EndpointsByContainer.Wiring.Build(Incoming.Value(settings));
    await using WebApplication byHand = Listening(byHandAddress);
    await using WebApplication wired = Listening(wiredAddress);
    EndpointsByHand.Map(byHand, settings);
    EndpointsByContainer.Map(wired, container);

    await byHand.StartAsync();
    await wired.StartWarmAsync(container);
    await wired.WaitForStopAsync();
    await byHand.StopAsync();
    await wired.StopAndWindDownAsync(container, WiredHost.DefaultShutdownTimeout);
    return 0;
}
finally
{
    Directory.Delete(folder, recursive: true);
}

static WebApplication Listening(string address) =>
    WebApplication.CreateSlimBuilder(["--urls", address, "--Logging:LogLevel:Default=None"]).Build();
