namespace Junctivor.Checks;

/// <summary>A kind of fault: its code, its name and its default severity. Immutable.</summary>
public sealed record FaultKind
{
    /// <summary>Where the explanations are published. The one place that names the address.</summary>
    private const string HelpAddress = "https://junctivor.example/faults";

    /// <summary>The kinds below, in their order, which is that of their codes.</summary>
    private static readonly List<FaultKind> Created = [];

    private FaultKind(string code, string name, Severity severity, string meaning, bool canBeLowered)
    {
        Code = code;
        Name = name;
        Severity = severity;
        Meaning = meaning;
        CanBeLowered = canBeLowered;
        Created.Add(this);
    }

    /// <summary>The code, such as <c>JV301</c>.</summary>
    public string Code { get; }

    /// <summary>The name, such as <c>captive</c>.</summary>
    public string Name { get; }

    /// <summary>How much weight it has unless <see cref="BuildOptions.Severities"/> say otherwise; a fault may weigh more.</summary>
    public Severity Severity { get; }

    /// <summary>What is wrong, in one sentence.</summary>
    public string Meaning { get; }

    /// <summary>
    /// Whether a container can do its work all the same, so that the severity may be set lower, or one be accepted.
    /// </summary>
    public bool CanBeLowered { get; }

    /// <summary>The web page that explains it.</summary>
    public string HelpLink => $"{HelpAddress}/{Code.ToLowerInvariant()}";

    /// <summary>The command that explains it, such as <c>junctivor fault JV301</c>; it needs no network.</summary>
    public string HelpCommand => $"junctivor fault {Code}";

    /// <summary>JV101: a service that is not registered.</summary>
    public static FaultKind Missing { get; } =
        Error("JV101", "missing", "A required service is not registered.");

    /// <summary>JV102: a class that cannot be constructed.</summary>
    public static FaultKind NotConstructible { get; } =
        Error("JV102", "not-constructible",
            "A registered class cannot be constructed: it is abstract, an interface, static, has no public constructor, "
            + "or a property to inject that cannot be set.");

    /// <summary>JV103: several constructors, and none is chosen.</summary>
    public static FaultKind SeveralConstructors { get; } =
        Error("JV103", "several-constructors", "A class has several public constructors, and none is selected.");

    /// <summary>JV104: a class that does not implement the service that it is registered for.</summary>
    public static FaultKind DoesNotImplement { get; } =
        Error("JV104", "does-not-implement", "A class is registered for a service that it does not implement.");

    /// <summary>JV105: a value that was declared and not supplied.</summary>
    public static FaultKind NotSupplied { get; } =
        Error("JV105", "not-supplied", "A value that the wiring declares with Incoming was not supplied.");

    /// <summary>JV106: a constant or an argument that no parameter takes.</summary>
    public static FaultKind ArgumentMismatch { get; } =
        Error("JV106", "argument-mismatch", "No constructor parameter matches a constant or an argument that is passed.");

    /// <summary>JV107: a value that was supplied and is not declared.</summary>
    public static FaultKind NotDeclared { get; } =
        Error("JV107", "not-declared", "A value was supplied that the wiring does not declare.");

    /// <summary>JV108: an asynchronous factory where it is not awaited.</summary>
    public static FaultKind AsyncInFrom { get; } =
        Error("JV108", "async-in-from", "An asynchronous factory is passed to From, which registers the task instead of its result.");

    /// <summary>JV109: something that means nothing where it is written.</summary>
    public static FaultKind DoesNotApply { get; } =
        Error("JV109", "does-not-apply", "A registration has an option that has no effect on it.");

    /// <summary>JV110: something outside the wiring that its framework cannot serve.</summary>
    public static FaultKind NotServed { get; } =
        Error("JV110", "not-served", "An endpoint, hub or other entry point cannot be served as it is written.");

    /// <summary>JV201: services that need each other in a cycle.</summary>
    public static FaultKind Cycle { get; } =
        Error("JV201", "cycle", "Services depend on each other in a cycle, so none of them can be created first.");

    /// <summary>JV202: several registrations where one is wanted.</summary>
    public static FaultKind Ambiguous { get; } =
        Error("JV202", "ambiguous", "One instance is required, and several registrations provide it.");

    /// <summary>JV203: a replacement with nothing to replace.</summary>
    public static FaultKind ReplacesNothing { get; } =
        new("JV203", "replaces-nothing", Severity.Error,
            "A registration is marked Replacing, and no earlier registration provides its service.", canBeLowered: true);

    /// <summary>JV204: the same class for the same service twice.</summary>
    public static FaultKind RegisteredTwice { get; } =
        Warning("JV204", "registered-twice",
            "The same class is registered twice for the same service, and each registration creates its own instances.");

    /// <summary>JV205: a decorator with nothing to wrap.</summary>
    public static FaultKind DecoratesNothing { get; } =
        new("JV205", "decorates-nothing", Severity.Error,
            "A decorator has nothing to decorate, or its constructor does not take the decorated service.", canBeLowered: true);

    /// <summary>JV206: an open generic registration that cannot be closed for a required service.</summary>
    public static FaultKind GenericConstraint { get; } =
        Error("JV206", "generic-constraint",
            "A generic service is required, and no open registration can be closed over its type arguments.");

    /// <summary>JV207: a file among the plug-ins that could not be loaded.</summary>
    public static FaultKind PluginSkipped { get; } =
        Warning("JV207", "plug-in-skipped", "A file in a plug-in folder could not be loaded.");

    /// <summary>JV208: one class in several registrations, each for another service.</summary>
    public static FaultKind SplitClass { get; } =
        Note("JV208", "split-class", "One class is registered in several registrations for different services, so they share no instance.");

    /// <summary>JV301: something long-lived holds something that ends earlier.</summary>
    public static FaultKind Captive { get; } =
        Error("JV301", "captive", "A long-lived service holds a shorter-lived one, and would keep using it after it was disposed.");

    /// <summary>JV302: something scoped was resolved where there is no scope.</summary>
    public static FaultKind ScopedOutsideScope { get; } =
        Error("JV302", "scoped-outside-scope", "A scoped service was resolved outside a scope.");

    /// <summary>JV303: a singleton keeps one transient.</summary>
    public static FaultKind FrozenTransient { get; } =
        Note("JV303", "frozen-transient", "A singleton keeps one instance of a transient that has state.");

    /// <summary>JV304: disposable transients that end only with the container.</summary>
    public static FaultKind UnreleasedTransient { get; } =
        Warning("JV304", "unreleased-transient",
            "A singleton repeatedly creates disposable transients, which are disposed only with the container.");

    /// <summary>JV305: a level of scopes is not there, or is entered where it cannot be.</summary>
    public static FaultKind LevelOutOfPlace { get; } =
        Error("JV305", "level-out-of-place", "A scope level is required or started where it is not available.");

    /// <summary>JV306: a shared service takes the class that consumes it.</summary>
    public static FaultKind ConsumingClassShared { get; } =
        Error("JV306", "consuming-class-shared", "A shared service takes its consuming class, and several classes consume it.");

    /// <summary>JV401: something created asynchronously is needed where nothing awaits it.</summary>
    public static FaultKind AsyncNotReady { get; } =
        Error("JV401", "async-not-ready", "A service with an asynchronous factory is required before the factory was awaited.");

    /// <summary>JV402: a value that comes later is needed at once.</summary>
    public static FaultKind LateValueNeededEarly { get; } =
        Error("JV402", "late-value-needed-early", "A value that is supplied after the build is required at construction.");

    /// <summary>JV403: warm-up work that did not run.</summary>
    public static FaultKind NotWarmedUp { get; } =
        Warning("JV403", "not-warmed-up", "A service with warm-up work was used, and the container was disposed without WarmUpAsync.");

    /// <summary>JV501: registered, and reached by no root.</summary>
    public static FaultKind Unreachable { get; } =
        Warning("JV501", "unreachable", "A registration is unused: nothing that is resolved directly depends on it.");

    /// <summary>JV502: something takes the scope or the container.</summary>
    public static FaultKind TakesScope { get; } =
        Note("JV502", "takes-scope", "A class or factory takes the scope or the container, so what it resolves cannot be checked.");

    /// <summary>JV503: what a branch replaces, and shared singletons do not see.</summary>
    public static FaultKind BranchNotSeen { get; } =
        Warning("JV503", "branch-not-seen", "A singleton that a branch shares with its parent does not use what the branch replaces.");

    /// <summary>JV504: an acceptance that matches nothing.</summary>
    public static FaultKind AcceptsNothing { get; } =
        Warning("JV504", "accepts-nothing", "A registration accepts a fault that it does not have.");

    /// <summary>JV505: what is optional or required as a list, and not there.</summary>
    public static FaultKind Absent { get; } =
        Note("JV505", "absent", "An optional dependency or a list has no registrations.");

    /// <summary>JV506: a function or a fresh scope that gives the same instance each time.</summary>
    public static FaultKind NotFresh { get; } =
        Note("JV506", "not-fresh", "A class takes a function or a fresh scope of a singleton, which is the same instance each time.");

    /// <summary>JV507: a service that its decorator does not decorate.</summary>
    public static FaultKind Undecorated { get; } =
        Note("JV507", "undecorated", "A decorated service is also used without its decorator.");

    /// <summary>Every kind, by code.</summary>
    public static IReadOnlyList<FaultKind> All => Created;

    /// <summary>The kind with a code.</summary>
    /// <param name="code">The code, in letters of any case.</param>
    /// <returns>The kind; null if no kind has this code.</returns>
    /// <exception cref="ArgumentNullException"><paramref name="code"/> is null.</exception>
    public static FaultKind? Find(string code) => code is null
        ? throw new ArgumentNullException(nameof(code))
        : All.FirstOrDefault(kind => string.Equals(kind.Code, code, StringComparison.OrdinalIgnoreCase));

    /// <summary>The code and the name.</summary>
    /// <returns>Both, such as <c>JV301 captive</c>.</returns>
    public override string ToString() => $"{Code} {Name}";

    private static FaultKind Error(string code, string name, string meaning) =>
        new(code, name, Severity.Error, meaning, canBeLowered: false);

    private static FaultKind Warning(string code, string name, string meaning) =>
        new(code, name, Severity.Warning, meaning, canBeLowered: true);

    private static FaultKind Note(string code, string name, string meaning) => new(code, name, Severity.Note, meaning, canBeLowered: true);
}
