using System.Text;
using Harbour.Office;
using Junctivor;
using Microsoft.AspNetCore.Routing;

namespace Harbour.Tests;

/// <summary>An office on a free port, with an empty ledger of its own.</summary>
internal sealed class OpenOffice : IAsyncDisposable
{
    private readonly HarbourOffice _office;
    private readonly string _folder;

    private OpenOffice(HarbourOffice office, string folder)
    {
        _office = office;
        _folder = folder;
        Client = new HttpClient { BaseAddress = office.Address };
    }

    public HttpClient Client { get; }

    public Container Container => _office.Container;

    public Muster Muster => Container.Resolve<Muster>();

    public static async Task<OpenOffice> OpenAsync(Action<IEndpointRouteBuilder>? further = null, Wiring? changes = null)
    {
        string folder = Directory.CreateTempSubdirectory("harbour-tests-").FullName;
        HarbourSettings settings = new(HarbourSettings.ShippedData, Path.Combine(folder, "ledger.db"), IsQuiet: true);
        Wiring wiring = [.. HarbourWiring.Office, .. changes ?? []];
        return new OpenOffice(await HarbourOffice.OpenAsync(wiring, settings, "http://127.0.0.1:0", further), folder);
    }

    public Uri Address => _office.Address;

    public Task CloseAsync() => _office.CloseAsync();

    public Task<string> GetAsync(string path) =>
        Client.GetStringAsync(new Uri(path, UriKind.Relative), TestContext.Current.CancellationToken);

    public Task<HttpResponseMessage> PostAsync(string path, string json) => Client.PostAsync(
        new Uri(path, UriKind.Relative), new StringContent(json, Encoding.UTF8, "application/json"), TestContext.Current.CancellationToken);

    public async ValueTask DisposeAsync()
    {
        Client.Dispose();
        await _office.DisposeAsync();
        Directory.Delete(_folder, recursive: true);
    }
}
