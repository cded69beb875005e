using Harbour_Office;
using Junctivor;

await using Container container = OfficeWiring.Wiring.Build();   // throws with all faults, if there are any
return await container.RunWiredAsync();                          // until Ctrl+C or SIGTERM
