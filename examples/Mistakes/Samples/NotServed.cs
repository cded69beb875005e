using Junctivor;

namespace Mistakes.Samples;

/// <summary>JV110: the handler of an endpoint takes a service that the web framework would read from the body of the request.</summary>
public static class NotServed
{
    [CheckedWiring("JV110")]
    public static Wiring Wiring => [Scoped.Of<BerthPlanner>().ResolvedDirectly()];

    // What the web package finds of:  app.MapPost("/berths", (BerthPlanner planner) => …);
    [CheckedEntryPoints("JV110")]
    public static IReadOnlyList<EntryPoint> Endpoints() =>
    [
        new("POST /berths")
        {
            File = "Routes.cs",
            Line = 9,
            Problems =
            [
                new("POST /berths reads BerthPlanner planner from the body of the request, though the wiring provides it")
                {
                    Fixes =
                    [
                        "map the endpoint with app.MapWired(container)",
                        "write [FromServices] BerthPlanner planner",
                        "if the body is meant, write [FromBody] BerthPlanner planner",
                    ],
                },
            ],
        },
    ];

    private sealed class BerthPlanner;
}
