using Frameworks;
using Frameworks.Departures;

Container? built = null;
await using WebApplication app = FrameworksApplication.Create(args, () => built!);
await using Container container = FrameworksWiring.Wiring.Build(Incoming.FromHost(app.Services));
built = container;
app.UseJunctivor(container, context => Incoming.Value(Clerk.Of(context)));
FrameworksApplication.Map(app, container);
await app.RunWiredAsync(container);
