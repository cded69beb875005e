using System.CommandLine;
using HowTo;

(string Name, string Need, Func<Task> Run)[] programs =
[
    ("alias", "One instance under two names, as against two registrations of one class", Does(AliasOrTwice.Run)),
    ("arguments", "Some arguments from the caller, the rest wired", Does(WithArguments.Run)),
    ("branch", "Another wiring for one tenant, without touching the main one", Does(BranchForOne.Run)),
    ("captive", "A long-lived worker that holds a per-request ledger, and what the check says", Does(Captive.Run)),
    ("decorator", "A wrapper around a service, and a second one around that", Does(Decorating.Run)),
    ("factory", "A factory whose needs the check can see", Does(Factories.Run)),
    ("fresh-scope", "A long-lived worker with a fresh ledger for each run", FreshForEachRun.RunAsync),
    ("frozen-transient", "Two time stamps that are equal, and why", Does(FrozenTransient.Run)),
    ("generics", "One class for all archives, another for one of them", Does(OpenGenerics.Run)),
    ("incoming", "Settings at start, the caller for each request", Does(IncomingValues.Run)),
    ("job", "A scope for each run of a job at an interval or a time of day", ScheduledJob.RunAsync),
    ("late-value", "A value that exists only after the container", Does(LateValue.Run)),
    ("lazy-ring", "Two services that know each other", Does(LazyRing.Run)),
    ("levels", "A duty shift around requests", Does(Levels.Run)),
    ("list", "All that serve, in the order written, or by name", Does(Lists.Run)),
    ("marks", "Two values of one plain type, told apart", Does(Marks.Run)),
    ("measure", "Counting scopes and constructions, for whoever listens", Does(Measuring.Run)),
    ("message-scope", "A scope for each message, and handlers found by its type", MessageScope.RunAsync),
    ("modules", "Modules by feature, and another wiring for a rehearsal", Does(Modules.Run)),
    ("observe", "What was made and ended, in order, for a test", Does(Observing.Run)),
    ("optional", "A service that can do without another", Does(Optional.Run)),
    ("plugins", "Assemblies in a folder that bring their own services", Does(PluginFolder.Run)),
    ("properties", "Required properties, and objects that somebody else made", Does(Properties.Run)),
    ("invoke", "A method called with its parameters resolved", Does(Calling.Run)),
    ("self-registered", "Classes that carry their own registration, listed", Does(Carrying.Run)),
    ("session", "What a user keeps from one request to the next", UserSession.RunAsync),
    ("warm-up", "Opening what takes its time before the first work, and closing it after the last", WarmingUp.RunAsync),
    ("web", "A scope for each HTTP request, and a start and an end that wait", WebRequests.RunAsync),
];

RootCommand root = new("One small program for each need; each prints a few lines to learn from.");
foreach ((string name, string need, Func<Task> run) in programs)
{
    Command command = new(name, need);
    command.SetAction((_, _) => run());
    root.Add(command);
}

return await root.Parse(args).InvokeAsync();

static Func<Task> Does(Action run) => () =>
{
    run();
    return Task.CompletedTask;
};
