using Harbour_Office;
using Junctivor;

await using WebApplication app = WebApplication.CreateBuilder(args).Build();
await using Container container = OfficeWiring.Wiring.Build(Incoming.FromHost(app.Services));   // throws with all faults
app.UseJunctivor(container);                    // a scope for each request
app.MapWiringPage("/wiring", container);        // in the Development environment: what each request creates, live
app.MapWired(container).MapOffice();            // checked before the server listens
await app.RunWiredAsync(container);
