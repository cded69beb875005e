using System.Collections.Concurrent;
using Microsoft.AspNetCore.Hosting.Server;
using Microsoft.AspNetCore.Hosting.Server.Features;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.AspNetCore.Server.Kestrel.Core;

namespace Frameworks.Tests;

/// <summary>The program as it starts, on ports of its own, with a database of its own, and a weather office beside it.</summary>
internal sealed class RunningOffice : IAsyncDisposable
{
    private readonly string _folder;
    private readonly WebApplication _weather;
    private readonly WebApplicationFactory<Program> _factory;

    private RunningOffice(string folder, WebApplication weather, WebApplicationFactory<Program> factory)
    {
        _folder = folder;
        _weather = weather;
        _factory = factory;
        Address = AddressOf(0);
        Http2Address = AddressOf(1);
        Client = new HttpClient { BaseAddress = Address };
        Client.DefaultRequestHeaders.Add("Clerk", "Mira");
    }

    public HttpClient Client { get; }

    public Uri Address { get; }

    /// <summary>Where gRPC is answered.</summary>
    public Uri Http2Address { get; }

    /// <summary>The configuration, which can be changed while the program runs.</summary>
    public IConfigurationRoot Configuration => (IConfigurationRoot)_factory.Services.GetService(typeof(IConfiguration))!;

    /// <summary>What the weather office is asked; each first question is answered with a failure.</summary>
    public static ConcurrentQueue<string> Asked { get; } = new();

    public static async Task<RunningOffice> OpenAsync()
    {
        string folder = Directory.CreateTempSubdirectory("frameworks-").FullName;
        WebApplication weather =
            WebApplication.CreateSlimBuilder(["--urls", "http://127.0.0.1:0", "--Logging:LogLevel:Default=None"]).Build();
        weather.MapGet("/wind/{day}", Answer);
        await weather.StartAsync(TestContext.Current.CancellationToken);
#pragma warning disable CA2000 // Disposed with the office.
        WebApplicationFactory<Program> factory = new WebApplicationFactory<Program>().WithWebHostBuilder(builder => builder
            .UseSetting("Database", Path.Combine(folder, "harbour.db"))
            .UseSetting("Weather", weather.Urls.First())
            .UseSetting("Logging:LogLevel:Default", "Warning"));
#pragma warning restore CA2000
        factory.UseKestrel(options =>
        {
            options.Listen(System.Net.IPAddress.Loopback, 0);
            options.Listen(System.Net.IPAddress.Loopback, 0, endpoint => endpoint.Protocols = HttpProtocols.Http2);
        });
        factory.StartServer();
        return new RunningOffice(folder, weather, factory);
    }

    public Task<string> GetAsync(string path) =>
        Client.GetStringAsync(new Uri(path, UriKind.Relative), TestContext.Current.CancellationToken);

    public async Task<string> EnterAsync(string vessel)
    {
        using HttpResponseMessage entered =
            await Client.PostAsync(new Uri($"/berths/{vessel}", UriKind.Relative), null, TestContext.Current.CancellationToken);
        return await entered.EnsureSuccessStatusCode().Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
    }

    public async ValueTask DisposeAsync()
    {
        Client.Dispose();
        await _factory.DisposeAsync();
        await _weather.DisposeAsync();
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        try
        {
            Directory.Delete(_folder, recursive: true);
        }
        catch (IOException)
        {
            // The factory awaits the host and not the program, whose last job may still write: the system removes what is temporary.
        }
    }

    private static IResult Answer(string day)
    {
        Asked.Enqueue(day);
        return Asked.Count(asked => asked == day) == 1 ? Results.StatusCode(503) : Results.Text($"south-west on {day}");
    }

    private Uri AddressOf(int number) => new(((IServer)_factory.Services.GetService(typeof(IServer))!)
        .Features.Get<IServerAddressesFeature>()!.Addresses.ElementAt(number));
}
