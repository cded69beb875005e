namespace Junctivor.Writing;

/// <summary>Ways that are one expression.</summary>
internal static class ExpressionWays
{
    public static IReadOnlyList<Way> All { get; } =
    [
        new("collection", Place.Anywhere, (w, e) => Collection(w.Nested(e))),
        new("creation", Place.Anywhere, (w, e) => $"new Wiring {{ {string.Join(", ", e)} }}"),
        new("spread of a spread", Place.Anywhere, (w, e) => $"[.. (Wiring)([.. (Wiring)({Collection(w.Nested(e))})])]"),
        new("choice", Place.Anywhere, (w, e) => $"({w.Flag()} ? {Wiring(w.Compose(e))} : {Wiring(Collection([.. e.Take(1)]))})"),
        new("choice of nothing", Place.Anywhere, (w, e) => Collection([.. e.Skip(1), $".. {w.Flag()} ? {Wiring(Collection([.. e.Take(1)]))} : []"])),
        new("condition", Place.Anywhere, (w, e) => Collection([.. e.Skip(1), $".. Wiring.If({w.Flag()}, {Wiring(w.Compose([.. e.Take(1)]))})"])),
        new("condition with a lambda", Place.Anywhere, (w, e) => Collection([.. e.Skip(1), $".. Wiring.If(!{w.Flag()}, () => {Collection([.. e.Take(1)])})"])),
        new("two conditions", Place.Anywhere, (w, e) => w.Flag() is var flag
            ? Collection([$".. Wiring.If({flag}, {Wiring(Collection([.. e.Take(1)]))})", .. e.Skip(1), $".. Wiring.If(!{flag}, {Wiring(Collection([.. e.Take(1)]))})"])
            : ""),
        new("condition that may differ", Place.Anywhere, (w, e) => Collection([.. e.Skip(1), $".. Wiring.If(Flags.Maybe, {Wiring(Collection([.. e.Take(1)]))})"])),
        new("constant condition", Place.Anywhere, (w, e) => Collection([.. e.Skip(1), $".. Wiring.If({(w.Chance(2) ? "true" : "false")}, {Wiring(Collection([.. e.Take(1)]))})"])),
        new("enabled", Place.Anywhere, (w, e) => Collection([.. e.Select(each => w.Chance(2) ? $"{each}.Enabled({(w.Chance(2) ? "!" : "")}{w.Flag()})" : each)])),
        new("switch expression", Place.Anywhere, (w, e) => $"({w.Flag()} switch {{ true => {Wiring(Collection(e))}, _ => {Wiring(Collection([.. e.Skip(1)]))} }})"),
        new("Concat", Place.Anywhere, (w, e) => $"[.. new Registration[] {{ {e[0]} }}.Concat({Wiring(Collection([.. e.Skip(1)]))})]"),
        new("Where", Place.Anywhere, (w, e) => $"[.. {Wiring(Collection(e))}.Where(each => each.Service != typeof(I0))]"),
        new("Append", Place.Anywhere, (w, e) => $"[.. {Wiring(Collection(e))}.Append({w.Registration()})]"),
        new("Select of types", Place.Anywhere, (w, e) => Collection([.. e, ".. new[] { typeof(K0), typeof(K1) }.Select(type => Singleton.Of(type))"])),
        new("array", Place.Anywhere, (w, e) => $"[.. new Registration[] {{ {string.Join(", ", e)} }}]"),
        new("list", Place.Anywhere, (w, e) => $"[.. new List<Registration> {{ {string.Join(", ", e)} }}]"),
        new("null-forgiving", Place.Anywhere, (w, e) => $"({Wiring(Collection(e))}!)"),
        new("null coalescing", Place.Anywhere, (w, e) => $"({Wiring(w.Compose(e))} ?? new Wiring())"),
        new("registration twice", Place.Anywhere, (w, e) => Collection([.. e, e[0]])),
        new("lambda that is called", Place.Anywhere, (w, e) => $"((Func<Wiring>)(() => {Wiring(Collection(e))}))()"),
        new("awaited", Place.Anywhere, (w, e) => $"Task.FromResult<Wiring>({Collection(e)}).GetAwaiter().GetResult()"),
    ];

    private static string Collection(IReadOnlyList<string> elements) => ProgramWriter.Collection(elements);

    private static string Wiring(string expression) => ProgramWriter.Parenthesized(expression);
}
