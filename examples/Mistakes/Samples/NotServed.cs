using Junctivor;

namespace Mistakes.Samples;

/// <summary>JV110: the handler of an endpoint takes a service that the web framework would read from the body of the request.</summary>
public static class NotServed
{
    private static Wiring Wiring => [Scoped.Of<BerthPlanner>().ResolvedDirectly()];

    // What the adapter of a web framework finds where a program says:  app.MapPost("/berths", (BerthPlanner planner) => …);
    private static EntryPoint Post => new("POST /berths")
    {
        File = "Routes.cs",
        Line = 9,
        Problems =
        [
            new("POST /berths reads BerthPlanner planner from the request body, though the wiring provides it")
            {
                Fixes =
                [
                    "map the endpoint with app.MapWired(container)",
                    "write [FromServices] BerthPlanner planner",
                    "if the body is meant, write [FromBody] BerthPlanner planner",
                ],
            },
        ],
    };

    public static CheckReport Check() => Wiring.Check(new BuildOptions(), [Post]);

    private sealed class BerthPlanner;
}
