using System.CommandLine;
using HowTo;

(string Name, string Need, Func<Task> Run)[] programs =
[
    ("alias", "One instance under two names, compared with two registrations of one class", Does(AliasOrTwice.Run)),
    ("arguments", "Some arguments from the caller, the others resolved", Does(WithArguments.Run)),
    ("background", "Work in the background of a program without a host, its stop and its failure", BackgroundWork.RunAsync),
    ("branch", "Another wiring for one tenant, without a change of the main one", Does(BranchForOne.Run)),
    ("captive", "A long-lived worker that holds a per-request ledger, and the fault", Does(Captive.Run)),
    ("decorator", "Two decorators around a service", Does(Decorating.Run)),
    ("factory", "A factory whose dependencies are checked", Does(Factories.Run)),
    ("fresh-scope", "A long-lived worker with a new ledger for each run", FreshForEachRun.RunAsync),
    ("frozen-transient", "Two time stamps that are equal, and why", Does(FrozenTransient.Run)),
    ("generics", "An open generic registration, and a class for one closed type", Does(OpenGenerics.Run)),
    ("incoming", "Settings at start, the caller for each request", Does(IncomingValues.Run)),
    ("invoke", "A method called with its parameters resolved", Does(Calling.Run)),
    ("job", "A scope for each run of a job at an interval or a time of day", ScheduledJob.RunAsync),
    ("late-value", "A value that exists only after the container", Does(LateValue.Run)),
    ("lazy-cycle", "Two services that depend on each other", Does(LazyCycle.Run)),
    ("levels", "A duty shift around requests", Does(Levels.Run)),
    ("list", "All registrations of a service, as a list or by mark", Does(Lists.Run)),
    ("marks", "Two values of one plain type, distinguished by marks", Does(Marks.Run)),
    ("measure", "Metrics of scopes and constructions", Does(Measuring.Run)),
    ("message-scope", "A scope for each message, and handlers by message type", MessageScope.RunAsync),
    ("modules", "Modules by feature, and another wiring for tests", Does(Modules.Run)),
    ("observe", "Constructions and disposals in order, for a test", Does(Observing.Run)),
    ("optional", "An optional dependency", Does(Optional.Run)),
    ("plugins", "Plug-in assemblies with their own services", Does(PluginFolder.Run)),
    ("properties", "Required properties, and properties of existing objects", Does(Properties.Run)),
    ("record", "What each scope creates and shares, in a file that is drawn as a page", Recording.RunAsync),
    ("self-registered", "Classes with their own registration, listed", Does(Carrying.Run)),
    ("session", "State of a user between requests", UserSession.RunAsync),
    ("warm-up", "Work before the first request and after the last", WarmingUp.RunAsync),
    ("web", "A scope for each HTTP request, startup and shutdown", WebRequests.RunAsync),
];

RootCommand root = new("One small program for each use; each prints a few lines.");
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
