using Harbour_Office;
using Junctivor;

await using Container container = OfficeWiring.Wiring.Build();   // throws with all faults, if there are any
return await container.RunWiredAsync<BerthPlanner>((planner, stop) => planner.RunAsync(args, stop));
